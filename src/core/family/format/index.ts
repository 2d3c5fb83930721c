import * as z from 'zod';
import { schemaWithBlocks } from '../blocks/schema-with-blocks';
import { shapeSchema } from '../shapes';
import { building } from './building';
import { endViewOf } from './end-view';
import { partOf } from './parts';
import { asItIs, orBySize, reference, type Figure } from './pieces';
import { pointOf } from './points';
import { sectionOf } from './section';
import { stepOf } from './steps';
import { damage, kitOf, labourOf, restOf, trialOf } from './trial';

export { materialClasses } from './pieces';

/** The format that this program reads and writes. */
export const currentFormat = 'puddlestone-family/2';

const familyOf = (figure: Figure) =>
  z.strictObject({
    format: z.literal(currentFormat),
    /** F and a number for those that ship, S and a number for a shop's own. */
    id: z.string().regex(/^[FS]\d{1,4}$/, 'F and a number for a shipped family, S and a number for a shop’s own'),
    /** For a shop's own variant: which family and version it was made from. */
    made_from: z.string().optional(),
    /** Semantic version; behind a `+` the way in which a job's pump is built. */
    version: z.string().regex(/^\d{1,4}\.\d{1,4}\.\d{1,4}(\+[a-z0-9.-]{1,300})?$/, 'a version such as 1.0.0'),
    title: z.string(),
    short: z.string(),
    principle: z.enum(['rotodynamic', 'positive displacement']),
    drive: z.string(),
    sealing: z.string(),
    duty: z.string(),
    nameplate_words: z.array(z.string()),
    elastomers: z.array(z.string()),
    ...building,
    /** The file's own shapes, by name: what no shape that ships can draw, as path templates with parameters. */
    shapes: z.record(reference, shapeSchema).default({}),
    section: sectionOf(figure),
    end_view: endViewOf(figure).optional(),
    parts: z.array(partOf(figure)),
    points: z.array(pointOf(figure)),
    teardown: z.array(stepOf(figure)),
    rebuild: z.array(stepOf(figure)),
    test: trialOf(figure),
    /** What was found is put back as it was; put in where a job departs from the usual way. */
    puts_back: z.boolean().optional(),
    damage: z.array(damage),
    kits: z.array(kitOf(figure)),
    labour: z.array(labourOf(figure)),
    waits: z.array(restOf(figure)).default([]),
  });

/** A family file as it is written: elements for every build, figures of the size table by the name of their column. */
export const familyFileSchema = familyOf(orBySize);
/** A family as one pump is built: every figure is a figure. */
export const builtFamilySchema = familyOf(asItIs);

/** The JSON Schema of a family file as people write it: what has a usual value may be left out. */
export function familyJsonSchema(): Readonly<Record<string, unknown>> {
  return {
    $id: 'puddlestone-family-2.schema.json',
    title: 'Puddlestone pump family, format 2',
    ...schemaWithBlocks(z.toJSONSchema(familyFileSchema, { io: 'input', unrepresentable: 'any' })),
  };
}

/** A family as one pump is built. */
export type Family = z.infer<typeof builtFamilySchema>;
/** What is common to all builds of a family. */
export type FamilyHeader = Readonly<
  Pick<
    Family,
    | 'id'
    | 'version'
    | 'title'
    | 'short'
    | 'principle'
    | 'drive'
    | 'sealing'
    | 'duty'
    | 'nameplate_words'
    | 'elastomers'
    | 'axes'
    | 'sizes'
    | 'sets'
  >
>;
/** A family file, read and not yet built. */
export interface FamilyFile extends FamilyHeader {
  readonly made_from?: string | undefined;
  /**
   * The file as it is written. Figures of the size table are still names of its columns, whatever their type says, and
   * elements of every build stand side by side: `buildFamily` makes one pump of it.
   */
  readonly written: Family;
}

export type FamilyPart = Family['parts'][number];
export type FamilyPoint = Family['points'][number];
export type Step = Family['rebuild'][number];
export type StepAction = Step['actions'][number];
/** What an action asks. */
export type AnswerForm = NonNullable<StepAction['answer']>;
export type AnswerKind = AnswerForm['kind'];
export type FormOf<Kind extends AnswerKind> = Extract<AnswerForm, { kind: Kind }>;
export type Setting = FormOf<'setting'>;
export type Consumable = StepAction['consumables'][number];
export type Axis = Family['axes'][number];
export type SizeRow = Family['sizes'][number];
export type FamilySet = Family['sets'][number];
export type SectionBody = Family['section']['bodies'][number];
