import { DESIGN_FILE, type DesignFile, designAddress } from '../../contract/design.ts';
import { resolveDesign } from '../../core/design/resolve.ts';
import { createSheet } from '../../core/figures/evaluate.ts';
import { FIGURE_IDS, FIGURES } from '../../core/figures/index.ts';
import { printFor } from '../documents/printFor.ts';
import { serve } from '../endpoint.ts';
import { figureInputOfJob } from '../read/figureInput.ts';
import { jobByNumber } from '../read/jobs.ts';
import { headOf, partOf } from '../read/sheet.ts';
import { addDesign } from './addDesign.ts';
import { refuseImpossible } from './possible.ts';
import { designById } from './routes.ts';

const fileName = (number: string, name: string) => `${number}-${name.replace(/[^\w-]+/g, '-').toLowerCase()}`;

export const designFileEndpoints = [
  serve(designAddress.file, async ({ db, params, res, workshop, today }) => {
    const { design: stored, number } = await designById(db, params.id);
    const { input } = await figureInputOfJob(db, await jobByNumber(db, number), workshop, today, stored.id);
    const sheet = createSheet(resolveDesign(input));
    const { variant } = sheet.slots.vehicle;
    const figures: Record<string, number> = {};
    for (const id of FIGURE_IDS) {
      const { value } = sheet.get(FIGURES[id]);
      if (value !== null) figures[id] = Number(value.toPrecision(10));
    }
    const file: DesignFile = {
      ...DESIGN_FILE,
      name: stored.name,
      variant: `${variant.makerName} ${variant.modelName} ${variant.name}`,
      inputs: stored.inputs,
      figures,
    };
    res
      .type('application/json')
      .setHeader('Content-Disposition', `attachment; filename="${fileName(number, stored.name)}.json"`);
    res.send(`${JSON.stringify(file, null, 2)}\n`);
    return undefined;
  }),
  serve(designAddress.takeIn, ({ change, params, body }) =>
    change(async (work) => {
      const stored = await work.job({ number: params.number });
      await refuseImpossible(work.tx, stored.vehicleId, body.inputs);
      const { id } = await addDesign(
        work,
        stored.number,
        { jobId: stored.id, name: body.name, inputs: body.inputs },
        `took in design ${body.name} from a file`,
      );
      return { id };
    }),
  ),
  serve(designAddress.paper, async ({ db, press, params, res, workshop, person, now, today }) => {
    const { design: stored, number } = await designById(db, params.id);
    const { input, cover } = await figureInputOfJob(db, await jobByNumber(db, number), workshop, today, stored.id);
    const { title, client } = await headOf(db, { number });
    const brief = await partOf(db, { number }, 'brief');
    const pdf = await press.print({
      paper: 'design',
      job: { number, title, client, brief },
      design: { name: stored.name, version: stored.version, frozenAt: stored.frozenAt?.toISOString() ?? null },
      input,
      cover,
      print: printFor(workshop, person, now()),
    });
    res
      .type('application/pdf')
      .setHeader('Content-Disposition', `attachment; filename="${fileName(number, stored.name)}.pdf"`);
    res.send(pdf);
    return undefined;
  }),
];
