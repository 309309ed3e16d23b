import { findCrops, findKinds } from '../../catalogue/find.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { type DayOrder, readDay } from '../../core/calendar/typedDay.ts';
import { type Ground, parseGround, parseLength_m } from '../../core/units/length.ts';
import { parseMass_g } from '../../core/units/mass.ts';
import { folded } from '../../catalogue/places.ts';
import { type CsvTable } from './weatherCsv.ts';

// A list as a gardener keeps it: a row for each bed or each crop on a bed, or a row for each bag of seed. Columns are guessed and shown; nothing is
// written before it has been seen.

export const BED_COLUMNS = ['bed', 'size', 'width', 'length', 'block', 'crop', 'planted', 'out'] as const;
export const SEED_COLUMNS = ['kind', 'weight', 'year', 'label'] as const;
export type Column = (typeof BED_COLUMNS)[number] | (typeof SEED_COLUMNS)[number];
/** Which column of the table holds what; -1 for none. */
export type Columns = Record<Column, number>;

const HEADERS: Record<Column, RegExp> = {
  bed: /^(bed|name|plot|row|bed name|bed no\.?|bed number|nr\.?|no\.?)$/i,
  size: /size|dimension|area/i,
  width: /width|wide/i,
  length: /length|long\b/i,
  block: /block|section|field|zone|group/i,
  crop: /crop|plant$|vegetable|what|grows|planting$|variety/i,
  planted: /planted|sown|^in$|plant(ing)? (date|on|day)|start|from|date in/i,
  out: /out|clear|end|harvested|until|^to$|pulled|finish/i,
  kind: /kind|seed|species|cover|name|crop/i,
  weight: /weight|left|gram|amount|quantity|stock|^g$|^oz$/i,
  year: /year|age|bought|harvest/i,
  label: /label|lot|batch|from|supplier|note/i,
};

/** A first guess at the columns from their headers; a column is taken once. */
export function guessList(table: CsvTable, wanted: readonly Column[]): Columns {
  const taken = new Set<number>();
  const columns = Object.fromEntries(
    [...BED_COLUMNS, ...SEED_COLUMNS].map((c) => [c, -1]),
  ) as unknown as Columns;
  for (const column of wanted) {
    const at = table.headers.findIndex((h, i) => !taken.has(i) && HEADERS[column].test(h.trim()));
    if (at < 0) continue;
    taken.add(at);
    columns[column] = at;
  }
  return columns;
}

/** Day before month or after it, told by the dates of a column. */
export function guessDayOrder(cells: readonly string[]): DayOrder {
  let dayFirst = 0;
  for (const text of cells) {
    if (/^\s*\d{4}\D/.test(text)) return 'ymd';
    const [, a, b] = /^\s*(\d{1,2})\D(\d{1,2})\D/.exec(text) ?? [];
    if (Number(a) > 12) dayFirst++;
    if (Number(b) > 12) dayFirst--;
  }
  return dayFirst < 0 ? 'mdy' : 'dmy';
}

export interface ListBed extends Ground {
  name: string;
  block: string;
}
export interface ListCrop {
  bed: string;
  /** A crop of the catalogue, or the word of the list where it knows none. */
  cropId: string;
  word: string;
  plantOn: string;
  /** Null where the list does not say. */
  clearOn: string | null;
}
export interface ListSeed {
  speciesId: string;
  left_g: number;
  year: number;
  label: string;
}

export interface BadLine {
  line: number;
  why: 'many' | 'bed' | 'size' | 'planted' | 'out' | 'order' | 'kind' | 'weight' | 'year' | 'overlap';
  given: string;
}

export interface List {
  beds: ListBed[];
  crops: ListCrop[];
  seed: ListSeed[];
  /** Words for crops that the catalogue does not know, each once. */
  unknown: string[];
  bad: BadLine[];
}

export interface ListAsked {
  columns: Columns;
  order: DayOrder;
  unit: 'm' | 'ft';
  /** Beds of the garden, which a list may name without a size. */
  known: readonly string[];
  /** Today, near which dates without a year lie. */
  near: string;
  /** Words of the list and the crops they stand for, where the gardener has said so. */
  means: Record<string, string>;
}

/** The crop that a word of a list stands for: its name, its plural, or the one name that begins with it. */
export function cropOfWord(word: string): string | undefined {
  const wanted = folded(word);
  const singular = wanted.replace(/oes$/, 'o').replace(/(?<!s)s$/, '');
  const found = findCrops(singular, 3);
  const exact = found.find((c) => [wanted, singular].includes(folded(c.name)));
  if (exact) return exact.id;
  return found.length === 1 && singular.length >= 4 ? found[0]!.id : undefined;
}

/** The id under which a crop is kept that the catalogue does not know. */
const slug = (word: string): string =>
  folded(word)
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60);

/** More beds than this at a time are a slip of the columns. */
const MOST_BEDS = 500;

/** Reads beds with what stands and stood on them. Bad rows are listed by their line, never guessed; a bed named again is the same bed. */
export function readBedList(table: CsvTable, asked: ListAsked): List {
  const { columns: c, order, unit, known, near, means } = asked;
  const list: List = { beds: [], crops: [], seed: [], unknown: [], bad: [] };
  const names = new Map(known.map((n) => [n.toLowerCase(), n]));
  table.rows.forEach((row, i) => {
    const line = i + 2;
    const cell = (column: Column) => (c[column] < 0 ? '' : (row[c[column]] ?? '').trim());
    const bad = (why: BadLine['why'], given: string) => void list.bad.push({ line, why, given });
    const name = cell('bed');
    if (name === '' || name.length > 60) return bad('bed', name);
    if (!names.has(name.toLowerCase())) {
      if (list.beds.length >= MOST_BEDS) return bad('many', name);
      const size = c.size >= 0 ? parseGround(cell('size'), unit) : sides(cell('width'), cell('length'), unit);
      if (!size.ok) return bad('size', c.size >= 0 ? cell('size') : `${cell('width')} x ${cell('length')}`);
      names.set(name.toLowerCase(), name);
      list.beds.push({ name, block: cell('block').slice(0, 60), ...size.value });
    }
    const word = cell('crop');
    if (word === '') return;
    const plantOn = readDay(cell('planted'), order, near);
    if (!plantOn) return bad('planted', cell('planted'));
    const clearOn = cell('out') === '' ? null : readDay(cell('out'), order, near);
    if (clearOn === undefined) return bad('out', cell('out'));
    if (clearOn !== null && clearOn <= plantOn) return bad('order', `${cell('planted')}, ${cell('out')}`);
    const cropId = means[word] ?? cropOfWord(word);
    if (!cropId && !list.unknown.includes(word)) list.unknown.push(word);
    const bed = names.get(name.toLowerCase())!;
    const crop = { bed, cropId: cropId ?? slug(word), word, plantOn, clearOn };
    const other = list.crops.find((o) => o.bed === bed && o.plantOn < endOf(crop) && plantOn < endOf(o));
    if (other) return bad('overlap', `${word}, ${other.word}`);
    list.crops.push(crop);
  });
  return list;
}

/** Where a list does not say when a crop went out, it is taken to stand no less than this. */
const LEAST_STANDS_D = 1;
const endOf = (c: ListCrop): string => c.clearOn ?? isoOf(dayOf(c.plantOn) + LEAST_STANDS_D);

const sides = (width: string, length: string, unit: 'm' | 'ft') => {
  const w = parseLength_m(width, unit);
  if (!w.ok) return w;
  const l = parseLength_m(length, unit);
  return l.ok
    ? { ok: true as const, value: { width_m: w.value, length_m: l.value, area_m2: w.value * l.value } }
    : l;
};

const OLDEST_YEAR = 1980;

/** Reads bags of seed. */
export function readSeedList(
  table: CsvTable,
  columns: Columns,
  massUnit: 'g' | 'oz',
  thisYear: number,
): List {
  const list: List = { beds: [], crops: [], seed: [], unknown: [], bad: [] };
  table.rows.forEach((row, i) => {
    const line = i + 2;
    const cell = (column: Column) => (columns[column] < 0 ? '' : (row[columns[column]] ?? '').trim());
    const bad = (why: BadLine['why'], given: string) => void list.bad.push({ line, why, given });
    const word = folded(cell('kind'));
    const kinds = findKinds(word, 6);
    const exact =
      kinds.find((k) => [k.name, k.latin].some((n) => folded(n) === word)) ??
      (kinds.length === 1 ? kinds[0] : undefined);
    if (!exact) return bad('kind', cell('kind'));
    const mass = parseMass_g(cell('weight'), massUnit);
    if (!mass.ok) return bad('weight', cell('weight'));
    const year = cell('year') === '' ? thisYear : Number(/\d{4}/.exec(cell('year'))?.[0]);
    if (!(year >= OLDEST_YEAR && year <= thisYear + 1)) return bad('year', cell('year'));
    list.seed.push({ speciesId: exact.id, left_g: mass.value, year, label: cell('label').slice(0, 120) });
  });
  return list;
}
