import Joi from 'joi';
import type { KitContent } from '../core/kit/kit.ts';
import { A_FILE, address, answers, type BodySize } from './address.ts';
import { COMPONENT_KINDS, componentSchemaOf, type NewComponent } from './components.ts';
import { check, componentId, faultAt, type Mutable, slug, text } from './fields.ts';
import { kitContentSchema } from './kits.ts';

/** Format of a kit as a file; docs/kit.schema.json describes it. */
export const KIT_FILE = { format: 'dajo kit', version: 1 } as const;

/** A component of a kit file: what the sender's catalogue says of it, by the id its lines use. */
export interface FileComponent {
  readonly id: string;
  readonly component: NewComponent;
}

/** A kit revision as a file, with everything its lines name, to be taken in by another workshop. */
export interface KitFile {
  readonly format: (typeof KIT_FILE)['format'];
  readonly version: (typeof KIT_FILE)['version'];
  readonly name: string;
  readonly revision: string;
  /** Maker and model it is made for, and its variants by the ids that conditions use. */
  readonly model: string;
  readonly variants: readonly { readonly id: string; readonly name: string }[];
  readonly note: string;
  readonly content: KitContent;
  readonly components: readonly FileComponent[];
}

const fileComponent = Joi.object<FileComponent, true>({
  id: componentId('Component').required(),
  component: Joi.object({
    kind: Joi.string()
      .valid(...COMPONENT_KINDS)
      .required(),
  })
    .unknown()
    .required()
    .custom((sent: NewComponent, helpers) => {
      const { value, problems } = check(componentSchemaOf(sent.kind), sent);
      const [first] = Object.entries(problems);
      if (!first) return value;
      const sentence = first[1].replace(/\.$/, '');
      return faultAt(helpers, first[0], String(sent.name ?? sent.kind), `is not as its kind says: ${sentence}`);
    }) as never,
});

export const kitFileSchema = Joi.object<Mutable<KitFile>, true>({
  format: Joi.string().valid(KIT_FILE.format).label('Format').required(),
  version: Joi.number()
    .valid(KIT_FILE.version)
    .label('Version')
    .messages({ 'any.only': 'This kit file is of a newer Dajo than this one. Ask for one of version 1, or update.' })
    .required(),
  name: text('Name of the kit', 60).min(2).required(),
  revision: text('Revision', 4).required(),
  model: text('Model', 120).required(),
  variants: Joi.array()
    .items(Joi.object({ id: slug('Variant').required(), name: text('Name', 120).required() }))
    .max(60)
    .label('Variants')
    .required(),
  note: text('Note', 200).allow('').required(),
  content: kitContentSchema.required() as never,
  components: Joi.array().items(fileComponent).max(500).unique('id').label('Components').required(),
}).custom((file: KitFile, helpers) => {
  const known = new Set(file.components.map(({ id }) => id));
  const at = file.content.lines.findIndex(({ componentId: id }) => !known.has(id));
  return at < 0
    ? file
    : faultAt(
        helpers,
        `content.lines.${at}.componentId`,
        'A line',
        `names ${file.content.lines[at]!.componentId}, which the file does not describe`,
      );
});

export interface TakeInKit {
  readonly file: KitFile;
  readonly name: string;
  /** Any variant of the model it is taken in for. */
  readonly variantId: string;
  /** Own components that stand for those of the file; what is not named is taken into the catalogue. */
  readonly own: Readonly<Record<string, string>>;
}
const FILE_SIZE: BodySize = { bytes: 4_000_000, bounds: { values: 120_000, depth: 18, text: 4000 } };

export const kitFileAddress = {
  out: address({ method: 'get', path: '/kit-revisions/:revision/file.json', may: 'viewer', answer: A_FILE }),
  takeIn: address({
    method: 'post',
    path: '/kits/file',
    may: 'manager',
    body: Joi.object<Mutable<TakeInKit>, true>({
      file: kitFileSchema.required() as never,
      name: text('Name of the kit', 60).min(2).required(),
      variantId: slug('Model').required(),
      own: Joi.object().pattern(componentId('Component'), componentId('Own component')).max(500).required() as never,
    }),
    size: FILE_SIZE,
    answer: answers<{ readonly kit: string; readonly revision: string; readonly added: number }>(),
  }),
} as const;
