import * as v from 'valibot';
import { InstantSchema, text } from './basics';

/** What can be imported to and exported from the rack. */
export const RACK_FILES = ['products', 'pieces', 'ledger', 'reels'] as const;
export type RackFile = (typeof RACK_FILES)[number];
export const FILE_FORMATS = ['csv', 'json'] as const;

/** The columns of each file, in order. Documented in docs/files.md, which a test holds to this. */
export const FILE_COLUMNS: Readonly<Record<RackFile, readonly string[]>> = {
  products: [
    'code',
    'name',
    'material',
    'diameter_mm',
    'strength_kg',
    'tint',
    'soak_hours',
    'label_side',
    'printed_strength',
    'printed_diameter',
    'maker_says',
  ],
  pieces: [
    'code',
    'product',
    'kind',
    'place',
    'received_m',
    'left_m',
    'lot',
    'price',
    'tare_g',
    'flange_mm',
    'core_mm',
    'wound',
    'leaves',
    'new_on',
  ],
  ledger: ['piece', 'at', 'kind', 'moved_m', 'by', 'why'],
  reels: [
    'label',
    'type',
    'gear',
    'rating1_m',
    'rating1_mm',
    'rating2_m',
    'rating2_mm',
    'lip_mm',
    'width_mm',
    'arbor_mm',
  ],
};

/** Columns a file may lack: nothing is written down then. */
export const MAY_LACK: ReadonlySet<string> = new Set([
  'soak_hours',
  'label_side',
  'printed_strength',
  'printed_diameter',
  'maker_says',
]);

/** The most rows a file may hold. */
export const MOST_ROWS = 20_000;

/** A file that waits in the shop's inbox folder: its name, and nothing that leads elsewhere. */
const WaitingNameSchema = v.pipe(
  v.string(),
  v.regex(/^[^./\\\p{C}][^/\\\p{C}]{0,100}\.(?:csv|json)$/iu, 'There is no such file.'),
);
export const isWaitingName = (name: string): boolean => v.is(WaitingNameSchema, name);
export const byFileName = v.object({ name: WaitingNameSchema });

/** A file somebody put into the inbox folder, to be imported. */
export const WaitingFileSchema = v.object({ name: v.string(), bytes: v.number(), at: InstantSchema });
export type WaitingFile = v.InferOutput<typeof WaitingFileSchema>;
export const WaitingBytesSchema = v.object({ base64: v.string() });

export const ExportRackSchema = v.object({
  what: v.picklist(RACK_FILES, 'Say what to export: products, pieces, ledger or reels.'),
  format: v.picklist(FILE_FORMATS, 'Files are csv or json.'),
});

/** The most a file may be, as it travels: four characters for three bytes. */
const MOST_BASE64 = 4_000_000;
export const MOST_FILE_BYTES = (MOST_BASE64 / 4) * 3;

/** One class of signs, however long: a pattern of groups would not get to the end of a large file. */
const isBase64 = (text: string): boolean => text.length % 4 === 0 && /^[A-Za-z0-9+/]*={0,2}$/.test(text);

/** A file's bytes, as they travel. */
export const FileBytesSchema = v.pipe(
  v.string(),
  v.maxLength(MOST_BASE64, 'The file is larger than 3 MB. Split it.'),
  v.check(isBase64, 'The file did not arrive whole. Choose it again.'),
);

/** A file to import, as its bytes, so that a wrong encoding is seen and not guessed at. */
export const ImportRackSchema = v.object({
  what: v.picklist(RACK_FILES, 'Say what is in the file: products, pieces, ledger or reels.'),
  format: v.picklist(FILE_FORMATS, 'Files are csv or json.'),
  name: v.optional(text('A file name', 200), ''),
  base64: FileBytesSchema,
  /** True only looks; false takes it in, if every row is right. */
  preview: v.boolean(),
});

/** One thing wrong with one row. Rows are counted as a spreadsheet does, the heading first; 0 is the whole file. */
export const RowErrorSchema = v.object({ row: v.number(), column: v.string(), message: v.string() });
export type RowError = v.InferOutput<typeof RowErrorSchema>;

export const ImportResultSchema = v.object({
  rows: v.number(),
  /** Rows with something wrong; while there is one, nothing is taken in. */
  wrongRows: v.number(),
  /** The first of what is wrong, in the order of the file. */
  errors: v.array(RowErrorSchema),
  /** The first rows as they were read. */
  sample: v.array(v.record(v.string(), v.string())),
  columns: v.array(v.string()),
  /** Whether it was taken in. */
  taken: v.boolean(),
});
export type ImportResult = v.InferOutput<typeof ImportResultSchema>;
