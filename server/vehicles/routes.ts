import { eq } from 'drizzle-orm';
import { vehicleAddress } from '../../contract/vehicle.ts';
import { vehicleState } from '../../core/vehicle/state.ts';
import type { VehicleFigureId } from '../../core/vehicle/vehicleFigures.ts';
import { type Corner, weighingProblems } from '../../core/vehicle/weighingProblem.ts';
import type { Tx } from '../db/connect.ts';
import { made } from '../db/one.ts';
import { logFinding, vehicle, vehicleClaim, vehicleFigure, weighing } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, NotFound, RuleBroken, Stale } from '../problems.ts';
import { partOf } from '../read/sheet.ts';
import { variantOf } from '../read/variants.ts';

const CORNER: Record<Corner, string> = {
  frontLeftKg: 'Front left',
  frontRightKg: 'Front right',
  rearLeftKg: 'Rear left',
  rearRightKg: 'Rear right',
};

/** Figures that a weighing sets. */
const WEIGHED: ReadonlySet<VehicleFigureId> = new Set(['frontAxleMass', 'rearAxleMass']);

/** Jobs of one vehicle share its figures: the vehicle itself is locked, after its job. */
async function lockVehicle(tx: Tx, id: string): Promise<void> {
  await tx.select({ id: vehicle.id }).from(vehicle).where(eq(vehicle.id, id)).for('no key update');
}

export const vehicleEndpoints = [
  serve(vehicleAddress.weigh, ({ change, params, body, person }) =>
    change(async ({ tx, log, job: lock }) => {
      const job = await lock({ number: params.number });
      const info = await partOf(tx, { id: job.id }, 'vehicle');
      const variant = await variantOf(tx, info.variantId);
      if (!variant) throw new NotFound('vehicle');
      const { figures } = vehicleState(variant, info.measured, null);
      const problems = weighingProblems(body, {
        frontAxleRatingKg: figures.frontAxleRating.value,
        rearAxleRatingKg: figures.rearAxleRating.value,
        frontAxleMassKg: figures.frontAxleMass.value,
        rearAxleMassKg: figures.rearAxleMass.value,
      });
      if (problems.length > 0) {
        throw new BadInput(
          Object.fromEntries(
            problems.map((p) => {
              if (p.problem === 'notPositive') return [p.corner, `${CORNER[p.corner]} must be more than 0 kg.`];
              const [at, axle] = p.axle === 'front' ? ['frontRightKg', 'front'] : ['rearRightKg', 'rear'];
              const sum = `The ${axle} axle adds up to ${Math.round(p.massKg)} kg`;
              return p.problem === 'overTwiceRating'
                ? [at, `${sum}, over twice its rating of ${p.ratingKg} kg. Was it read in kg, one corner at a time?`]
                : [at, `${sum}, under a fifth of the usual ${p.libraryKg} kg. Was the scale set to zero?`];
            }),
          ),
        );
      }
      const row = made(
        await tx
          .insert(weighing)
          .values({ ...body, vehicleId: info.id, byId: person.id })
          .returning(),
      );
      await log({ what: 'weighed the vehicle', resource: 'vehicle', id: info.id, job: job.number, after: row });
      return { id: row.id };
    }),
  ),
  serve(vehicleAddress.measure, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const job = await lock({ number: params.number });
      const { since, ...measured } = body;
      await lockVehicle(tx, job.vehicleId);
      const before = (await partOf(tx, { id: job.id }, 'vehicle')).measured[body.figure] ?? null;
      if ((before?.at ?? null) !== since) throw new Stale(before);
      const values = { ...measured, says: null, byId: person.id, at: now() };
      await tx
        .insert(vehicleFigure)
        .values({ ...values, vehicleId: job.vehicleId })
        .onConflictDoUpdate({ target: [vehicleFigure.vehicleId, vehicleFigure.figure], set: values });
      await log({
        what: `measured ${body.figure}`,
        resource: 'vehicle',
        id: job.vehicleId,
        job: job.number,
        before,
        after: measured,
      });
      return { figure: body.figure };
    }),
  ),
  serve(vehicleAddress.claim, ({ change, params, body, person }) =>
    change(async ({ tx, log, job: lock }) => {
      const job = await lock({ number: params.number });
      await lockVehicle(tx, job.vehicleId);
      const row = made(
        await tx
          .insert(vehicleClaim)
          .values({ ...body, vehicleId: job.vehicleId, byId: person.id })
          .returning(),
      );
      const what = `noted what is said of ${body.figure}`;
      await log({ what, resource: 'vehicle', id: job.vehicleId, job: job.number, after: row });
      return { id: row.id };
    }),
  ),
  serve(vehicleAddress.keepFindings, ({ change, params, body, person }) =>
    change(async ({ tx, log, job: lock }) => {
      const job = await lock({ number: params.number });
      const rows = body.findings.map((one) => ({ ...one, log: body.log, vehicleId: job.vehicleId, byId: person.id }));
      await tx.insert(logFinding).values(rows);
      const what = `kept what ${body.log} shows`;
      await log({ what, resource: 'vehicle', id: job.vehicleId, job: job.number, after: body });
      return { kept: rows.length };
    }),
  ),
  serve(vehicleAddress.settleClaim, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const job = await lock({ number: params.number });
      await lockVehicle(tx, job.vehicleId);
      const info = await partOf(tx, { id: job.id }, 'vehicle');
      const claim = info.claims.find((one) => one.id === params.id);
      if (!claim) throw new NotFound('claim');
      // A weighing wins over whatever is said of an axle.
      if (body.use && info.weighings.length > 0 && WEIGHED.has(claim.figure))
        throw new RuleBroken('The vehicle has been weighed: the scales are used. Weigh it again, or set this aside.');
      const used = info.measured[claim.figure] ?? null;
      if ((used?.at ?? null) !== body.since || claim.at !== body.seen) throw new Stale({ used, claim });
      const variant = await variantOf(tx, info.variantId);
      if (!variant) throw new NotFound('vehicle');
      const mine = { byId: person.id, at: now() };
      if (body.use) {
        // What was used until now stays, as what is not used and why.
        const { value, source } = used ?? variant.figures[claim.figure];
        const { figure, says: said } = claim;
        const values = { figure, value: claim.value, source: claim.source, says: said, ...mine };
        await tx
          .insert(vehicleFigure)
          .values({ ...values, vehicleId: job.vehicleId })
          .onConflictDoUpdate({ target: [vehicleFigure.vehicleId, vehicleFigure.figure], set: values });
        const says = used ? (used.says ?? `${used.by ?? 'somebody'}, until then`) : 'the library of the model';
        await tx
          .update(vehicleClaim)
          .set({ value, source, says, whyNot: body.why, ...mine })
          .where(eq(vehicleClaim.id, claim.id));
      } else {
        await tx
          .update(vehicleClaim)
          .set({ whyNot: body.why, ...mine })
          .where(eq(vehicleClaim.id, claim.id));
      }
      const what = body.use ? `used what ${claim.says} says of ${claim.figure}` : `set aside what ${claim.says} says`;
      await log({
        what,
        resource: 'vehicle',
        id: job.vehicleId,
        job: job.number,
        before: used,
        after: { ...claim, why: body.why },
      });
      return { figure: claim.figure };
    }),
  ),
];
