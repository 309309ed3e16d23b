import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { isoOf } from '../../core/calendar/day.ts';
import { type Result } from '../../core/result/result.ts';
import { failureWords } from '../../ui/failureWords.ts';
import { type Kept } from '../verbs/verbs.ts';
import { bedsFromGeoJson, bedsToGeoJson } from './bedsFile.ts';
import { decoded, textOf } from './bytes.ts';
import { readGardenFile, writeGardenFile } from './gardenFile.ts';
import { journalCsv } from './journalCsv.ts';
import { BED_COLUMNS, guessList, readBedList } from './listIn.ts';
import { guessColumns, readDays, readTable } from './weatherCsv.ts';

/** A table of beds as the screen reads it. */
const bedsIn = (text: string, unit: 'm' | 'ft') => {
  const table = readTable(text);
  return table.ok
    ? readBedList(table.value, {
        columns: guessList(table.value, BED_COLUMNS),
        order: 'dmy',
        unit,
        known: [],
        near: '2027-04-01',
        means: {},
      })
    : undefined;
};

const demo = readFileSync('demo/two-gums.kilim.json', 'utf8');
type Json = Record<string, never> & { [k: string]: never };
const fresh = (): Json => JSON.parse(demo) as Json;

/** Every refusal is a sentence of its own, with no word of the machine in it. */
const clear = (r: Result<unknown>) => {
  if (r.ok) return;
  const words = failureWords(r.failure);
  // What stands in quotes is the file's own.
  expect(words.replaceAll(/"[^"]*"/g, '')).not.toMatch(/Something went wrong|undefined|NaN|\[object/);
  expect(words.length).toBeGreaterThan(20);
};
const set = (json: unknown, path: (string | number)[], value: unknown) => {
  let at = json as Record<string | number, unknown>;
  for (const k of path.slice(0, -1)) at = at[k] as Record<string | number, unknown>;
  at[path.at(-1)!] = value;
  return json;
};

describe('a garden file with one thing wrong is refused, and the place named', () => {
  test.each<[string, (string | number)[], unknown, string]>([
    ['no form', ['version'], undefined, 'file-version'],
    ['a form below nothing', ['version'], -1e308, 'file-version'],
    ['half a form', ['version'], 2.5, 'file-version'],
    ['a form in letters', ['version'], '5', 'file-version'],
    ['a day that is none', ['covers', 0, 'sowOn'], '2027-02-30', 'covers › 0 › sowOn'],
    ['a month that is none', ['notes', 0, 'on'], '0000-99-99', 'notes › 0 › on'],
    ['a year of the Romans', ['garden', 'seasonClock'], '0007-04-13', 'garden › seasonClock'],
    ['a year of our grandchildren', ['plantings', 1, 'plantOn'], '2190-04-13', 'plantings › 1 › plantOn'],
    ['a list that is none', ['beds'], { length: 3 }, 'beds'],
    ['nothing for a list', ['looks'], null, 'looks'],
    ['nothing in a list', ['covers', 1], null, 'covers › 1'],
    ['an id twice', ['beds', 1, 'id'], 'two-gums-bed-Gate', 'beds › 1 › id'],
    ['a low above its high', ['garden', 'site', 'tmin_c', 3], 30, 'garden › site › tmin_c › 3'],
    ['a mark for missing', ['garden', 'site', 'tmax_c', 3], -9999, 'garden › site › tmax_c › 3'],
    ['a day warmer at night', ['weather', 0, 'days', 4, 'tmin_c'], 55, 'weather › 0 › days › 4'],
    ['a day of another year', ['weather', 0, 'days', 4, 'on'], '2019-02-05', 'weather › 0 › days › 4'],
    ['a day twice', ['weather', 0, 'days', 4, 'on'], '2025-02-04', 'weather › 0 › days › 4'],
    ['rain beyond measure', ['weather', 0, 'days', 4, 'rain_mm'], 1e6, 'weather › 0 › days › 4'],
    ['a cover for ten years', ['covers', 0, 'plantBackOn'], '2037-01-01', 'covers › 0'],
    ['another garden’s bed', ['beds', 2, 'gardenId'], 'somebody', 'beds › two-gums-bed-Lemon'],
    ['a cover of no bed', ['covers', 0, 'bedId'], 'nowhere', 'covers › two-gums-cover-Gate-2025-06'],
  ])('%s', (_, path, value, where) => {
    const read = readGardenFile(JSON.stringify(set(fresh(), path, value)));
    expect(read.ok ? 'let in' : read.failure.code === where ? where : read.failure.where).toBe(where);
    clear(read);
  });
  test.each<[string, (string | number)[], unknown, string]>([
    ['a night under all nights', ['garden', 'site', 'tmin_c', 2], -99, '-99 °C is no temperature of air'],
    ['a night over all days', ['garden', 'site', 'tmin_c', 2], 75, '75 °C is no temperature of air'],
    ['a day over all days', ['garden', 'site', 'tmax_c', 2], 75, '75 °C is no temperature of air'],
    ['rain that falls upwards', ['garden', 'site', 'rain_mm', 5], -1, '-1 mm is no rain of a month'],
    ['a month of floods', ['garden', 'site', 'rain_mm', 5], 1e5, '100000 mm is no rain of a month'],
    ['more wet days than days', ['garden', 'site', 'wetShare', 4], 1.2, 'a share lies between 0 and 1'],
    ['fewer wet days than none', ['garden', 'site', 'wetShare', 4], -0.1, 'a share lies between 0 and 1'],
    [
      'a spring steadier than still air',
      ['garden', 'site', 'springWider_c'],
      -25,
      'no weather swings so far',
    ],
    ['an autumn wilder than any', ['garden', 'site', 'autumnWider_c'], 25, 'no weather swings so far'],
    ['text for a list', ['beds'], 'none', 'a list belongs here'],
    ['a number for a name', ['beds', 0, 'name'], 7, 'text belongs here'],
    ['a name that is not there', ['beds', 0, 'name'], undefined, 'it is missing'],
  ])('%s: in words, at its place', (_, path, value, problem) => {
    const read = readGardenFile(JSON.stringify(set(fresh(), path, value)));
    expect(read).toMatchObject({
      ok: false,
      failure: { where: path.join(' › '), facts: { problem } },
    });
  });
  test('the coldest and the hottest air there is are let in', () => {
    for (const [path, value] of [
      [['garden', 'site', 'tmin_c', 2], -90],
      [['garden', 'site', 'tmax_c', 2], 65],
      [['garden', 'site', 'coldestNight_c'], -90],
      [['garden', 'site', 'wetShare', 4], 1],
      [['garden', 'site', 'wetShare', 4], 0],
      [['garden', 'site', 'rain_mm', 4], 0],
    ] as const)
      expect(readGardenFile(JSON.stringify(set(fresh(), [...path], value))).ok).toBe(true);
  });
  test('a file of an older form may lack what came later, one of today may not; what is no record in either is named', () => {
    const older = (version: number, path: string[] = [], value: unknown = undefined) => {
      const json = set(fresh(), ['version'], version) as Json;
      return readGardenFile(JSON.stringify(path.length > 0 ? set(json, path, value) : json));
    };
    expect(older(7, ['lots'])).toMatchObject({ ok: false, failure: { where: 'lots' } });
    expect(older(2, ['lots']).ok).toBe(true);
    for (const nothing of [null, 7, 'a bed'])
      expect(
        readGardenFile(JSON.stringify(set(set(fresh(), ['version'], 2), ['beds', 0], nothing))),
      ).toMatchObject({
        ok: false,
        failure: { code: 'file-invalid', where: 'beds › 0' },
      });
  });
  test('numbers beyond all bounds, as JSON can write them', () => {
    const read = readGardenFile(demo.replace(/"area_m2": [\d.]+/, '"area_m2": 1e999'));
    expect(read).toMatchObject({ ok: false, failure: { code: 'file-invalid', where: 'beds › 0 › area_m2' } });
  });
  test('what points to a crop or a lot that was taken away comes in without the pointer', () => {
    const read = readGardenFile(JSON.stringify(set(fresh(), ['covers', 0, 'nextPlantingId'], 'gone')));
    expect(read.ok && read.value.covers[0]!.nextPlantingId).toBeNull();
  });
  test('a climate that is steadier in spring and wilder in autumn goes out and comes in as it is; one that is neither has no word of it', () => {
    const shoulders = ({ garden: { site } }: Kept) => [site.springWider_c, site.autumnWider_c];
    const garden = fresh() as unknown as Kept;
    const plain = readGardenFile(JSON.stringify(garden));
    Object.assign(garden.garden.site, { springWider_c: -1.5, autumnWider_c: 0.75 });
    const bent = readGardenFile(JSON.stringify(garden));
    if (!plain.ok || !bent.ok) throw new Error('not read');
    expect(shoulders(plain.value)).toEqual([undefined, undefined]);
    for (const kept of [bent.value, JSON.parse(writeGardenFile(bent.value)) as Kept])
      expect(shoulders(kept)).toEqual([-1.5, 0.75]);
  });
  test('a kind, a crop and a way that this Kilim does not know come in as they are, and go out again', () => {
    const odd = fresh() as unknown as Kept;
    odd.covers[0]!.parts[0]!.speciesId = 'moon-wheat';
    odd.plantings[0]!.cropId = 'moon-bean';
    odd.covers[0]!.method = 'moonlight';
    const read = readGardenFile(JSON.stringify(odd));
    if (!read.ok) throw new Error(read.failure.where);
    const out = JSON.parse(writeGardenFile(read.value)) as Kept;
    expect([out.covers[0]!.method, out.covers[0]!.parts[0]!.speciesId, out.plantings[0]!.cropId]).toEqual([
      'moonlight',
      'moon-wheat',
      'moon-bean',
    ]);
  });
});

/** Places of all values in a document. */
function places(x: unknown, at: (string | number)[] = []): (string | number)[][] {
  if (typeof x !== 'object' || x === null) return [at];
  const inside = Array.isArray(x) ? x.slice(0, 3).map((v, i) => [i, v] as const) : Object.entries(x);
  return [at, ...inside.flatMap(([k, v]) => places(v, [...at, k]))].filter((p) => p.length > 0);
}

describe('whatever a file holds, its reader answers', () => {
  const where = places(fresh());
  const nasty = fc.oneof(
    fc.constantFrom<unknown>(
      null,
      '',
      -1,
      0,
      1e308,
      -1e308,
      [],
      {},
      true,
      '2027-13-45',
      '__proto__',
      'NaN',
      -9999,
      [[]],
    ),
    fc.jsonValue({ maxDepth: 2 }),
    fc.string({ unit: 'binary', maxLength: 30 }),
  );

  test('a garden file with a few values changed is read or refused, never let in broken', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...where), nasty), { minLength: 1, maxLength: 3 }),
        (changes) => {
          const json = fresh();
          for (const [path, value] of changes)
            try {
              set(json, path, value);
            } catch {
              // An earlier change has taken the place away.
            }
          const read = readGardenFile(JSON.stringify(json));
          clear(read);
          if (read.ok) expect(readGardenFile(writeGardenFile(read.value))).toEqual(read);
        },
      ),
      { numRuns: 150 },
    );
  });
  test('any text as a garden, as beds and as weather', () => {
    const text = fc.oneof(
      fc.string({ unit: 'binary', maxLength: 300 }),
      fc.json({ maxDepth: 4 }),
      fc
        .array(fc.array(fc.string({ maxLength: 12 }), { maxLength: 6 }).map((c) => c.join(',')))
        .map((l) => l.join('\n')),
      fc
        .array(
          fc
            .array(
              fc.constantFrom(
                '2027-01-01',
                '-9999',
                '31/12/2026',
                '1e400',
                'Infinity',
                '4',
                '-3.5',
                '',
                '"',
                '4 ft x 8 m',
              ),
              { minLength: 4, maxLength: 5 },
            )
            .map((c) => c.join(',')),
        )
        .map((l) => `name,size,tmin,tmax,rain\n${l.join('\n')}`),
    );
    fc.assert(
      fc.property(text, (t) => {
        clear(readGardenFile(t));
        const list = bedsIn(t, 'm');
        for (const b of list?.beds ?? []) {
          expect(b.name.length > 0 && b.name.length <= 60).toBe(true);
          expect(b.area_m2 > 0 && b.area_m2 <= 250_000).toBe(true);
        }
        for (const c of list?.crops ?? []) expect(c.clearOn === null || c.clearOn > c.plantOn).toBe(true);
        clear(bedsFromGeoJson(t));
        const table = readTable(t);
        clear(table);
        if (!table.ok) return;
        const days = readDays(table.value, guessColumns(table.value));
        clear(days);
        if (!days.ok) return;
        for (const d of days.value.days) {
          expect(Number.isInteger(d.day)).toBe(true);
          expect(d.tmin_c).toBeGreaterThanOrEqual(-70);
          expect(d.tmax_c).toBeLessThanOrEqual(60);
          expect(d.tmax_c).toBeGreaterThanOrEqual(d.tmin_c);
          expect(d.rain_mm).toBeGreaterThanOrEqual(0);
        }
      }),
      { numRuns: 400 },
    );
  });
  test('any bytes at all', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => {
        const text = decoded(bytes);
        clear(readGardenFile(text));
        bedsIn(text, 'ft');
      }),
      { numRuns: 200 },
    );
  });
});

describe('alphabets', () => {
  const wide = (text: string, big: boolean, mark: boolean) => {
    const out = mark ? [big ? 0xfe : 0xff, big ? 0xff : 0xfe] : [];
    for (const ch of text)
      out.push(
        ...(big
          ? [ch.charCodeAt(0) >> 8, ch.charCodeAt(0) & 255]
          : [ch.charCodeAt(0) & 255, ch.charCodeAt(0) >> 8]),
      );
    return new Uint8Array(out);
  };
  const csv = 'name,size\nGärtnerei,1.2 m x 8 m\n';
  test.each([
    ['UTF-8', new TextEncoder().encode(csv)],
    ['UTF-8 with its mark', new Uint8Array([0xef, 0xbb, 0xbf, ...new TextEncoder().encode(csv)])],
    ['UTF-16, small end first', wide(csv, false, true)],
    ['UTF-16, big end first', wide(csv, true, true)],
    ['UTF-16 without its mark', wide(csv, false, false)],
    ['what western spreadsheets write', Uint8Array.from(csv, (c) => c.charCodeAt(0))],
  ])('%s', (_, bytes) => {
    expect(bedsIn(decoded(bytes), 'm')!.beds.map((b) => [b.name, b.length_m])).toEqual([['Gärtnerei', 8]]);
  });
  test('what is far too large is not read at all', async () => {
    const read = await textOf(
      { size: 41_000_000, arrayBuffer: () => Promise.reject(new Error('read')) } as never,
      16_000_000,
    );
    expect(read).toMatchObject({ ok: false, failure: { code: 'file-too-large' } });
    clear(read);
  });
});

describe('beds in and out', () => {
  const square = [
    [146.35, -37.4],
    [146.3501, -37.4],
    [146.3501, -37.4001],
    [146.35, -37.4001],
    [146.35, -37.4],
  ];
  const collection = (...features: object[]) => JSON.stringify({ type: 'FeatureCollection', features });
  const polygon = (coordinates: unknown, properties: object | null = { name: 'Far' }) => ({
    type: 'Feature',
    properties,
    geometry: { type: 'Polygon', coordinates },
  });

  test('keep where they lie: out and in again within a millimetre, beds without a place by their sides', () => {
    const read = bedsFromGeoJson(collection(polygon([square])));
    if (!read.ok) throw new Error(read.failure.code);
    expect(read.value[0]).toMatchObject({ place: [146.35, -37.4], name: 'Far' });
    expect(Math.abs(read.value[0]!.area_m2 - 98.2)).toBeLessThan(1);
    const plain = {
      name: '3',
      block: 'East',
      width_m: 1.2,
      length_m: 8,
      area_m2: 9.6,
      ring: null,
      place: null,
    };
    const again = bedsFromGeoJson(bedsToGeoJson([...read.value, plain]));
    if (!again.ok) throw new Error(again.failure.code);
    expect(again.value[1]).toMatchObject({ ...plain, area_m2: expect.closeTo(9.6, 9) as unknown as number });
    again.value[0]!.ring!.forEach(([x, y], i) => {
      expect(Math.abs(x - read.value[0]!.ring![i]![0])).toBeLessThan(0.001);
      expect(Math.abs(y - read.value[0]!.ring![i]![1])).toBeLessThan(0.001);
    });
  });
  test('a bed drawn beside one that a file told of goes out with its outline, and comes in again as large', () => {
    const read = bedsFromGeoJson(collection(polygon([square])));
    if (!read.ok) throw new Error(read.failure.code);
    const here = { ...read.value[0]!, at: { x_m: 0, y_m: 0, turn_deg: 0 } };
    const drawn = {
      ...here,
      name: 'Drawn',
      ring: null,
      place: null,
      width_m: 1.2,
      length_m: 8,
      area_m2: 9.6,
      at: { x_m: 20, y_m: 5, turn_deg: 30 },
    };
    const again = bedsFromGeoJson(bedsToGeoJson([here, drawn]));
    if (!again.ok) throw new Error(again.failure.code);
    expect(again.value[1]!.place).not.toBeNull();
    expect(Math.abs(again.value[1]!.area_m2 - 9.6)).toBeLessThan(0.05);
  });
  test.each([
    ['a name twice', collection(polygon([square]), polygon([square])), 'bed-twice'],
    ...[-1, 0.05, 501, '1.2'].map(
      (width_m) =>
        [
          `a side of ${JSON.stringify(width_m)}`,
          collection({ type: 'Feature', properties: { name: 'x', width_m, length_m: 8 }, geometry: null }),
          'geojson-shape',
        ] as const,
    ),
    ['a place off the earth', collection(polygon([square.map(([x, y]) => [x! * 10, y])])), 'geojson-shape'],
    [
      'a line',
      collection({
        type: 'Feature',
        properties: null,
        geometry: { type: 'LineString', coordinates: square },
      }),
      'geojson-shape',
    ],
    ['nothing', collection({}), 'geojson-shape'],
    ['null', collection(null as never), 'geojson-shape'],
    [
      'letters for places',
      collection(
        polygon([
          [
            ['a', 'b'],
            ['a', 'b'],
            ['a', 'b'],
            ['a', 'b'],
          ],
        ]),
      ),
      'geojson-shape',
    ],
    [
      'a whole country',
      collection(
        polygon([
          [
            [0, 40],
            [5, 40],
            [5, 45],
            [0, 40],
          ],
        ]),
      ),
      'bed-area',
    ],
  ])('%s is refused', (_, text, code) => {
    const read = bedsFromGeoJson(text);
    expect(read).toMatchObject({ ok: false, failure: { code } });
    clear(read);
  });
});

describe('weather', () => {
  const read = (rows: string[]) => {
    const table = readTable(`date,tmin,tmax,rain\n${rows.join('\n')}\n`);
    if (!table.ok) throw new Error(table.failure.code);
    return readDays(table.value, { ...guessColumns(table.value), temperature: 'c' });
  };
  test('marks for missing values are no weather: a day without temperatures is listed, rain without a figure is none', () => {
    const r = read([
      '2027-01-01,2,9,1.5',
      '2027-01-02,-9999,9,0',
      '2027-01-03,2,-999.9,0',
      '2027-01-04,NA,9,0',
      '2027-01-05,2,9,-9999',
      '2027-01-06,Infinity,9,0',
      '2027-01-07,12,9,0',
    ]);
    if (!r.ok) throw new Error(r.failure.code);
    expect(r.value.days.map((d) => d.rain_mm)).toEqual([1.5, 0]);
    expect(r.value.bad).toEqual([
      { line: 3, why: 'temperature' },
      { line: 4, why: 'temperature' },
      { line: 5, why: 'temperature' },
      { line: 7, why: 'temperature' },
      { line: 8, why: 'swapped' },
    ]);
  });
  test('days are read in digits alone and between signs of any number, and half a date is none', () => {
    const r = read([
      '20270101,2,9,0',
      '2027--01--02,2,9,0',
      '2027/01/03 07:00,2,9,0',
      '2027010400,2,9,0',
      '2027-01,2,9,0',
    ]);
    if (!r.ok) throw new Error(r.failure.code);
    expect(r.value.days.map((d) => isoOf(d.day))).toEqual(['2027-01-01', '2027-01-02', '2027-01-03']);
    expect(r.value.bad).toEqual([
      { line: 5, why: 'date' },
      { line: 6, why: 'date' },
    ]);
  });
  test('lows that are mostly above their highs are columns the wrong way round', () => {
    expect(read(['2027-01-01,9,2,0', '2027-01-02,9,3,0', '2027-01-03,1,3,0'])).toMatchObject({
      ok: false,
      failure: { code: 'weather-swapped', facts: { days: 2 } },
    });
    // As many one way as the other are slips of days, and told one by one.
    const half = read(['2027-01-01,9,2,0', '2027-01-02,2,9,0']);
    expect(half).toMatchObject({ ok: true, value: { bad: [{ line: 2, why: 'swapped' }] } });
  });
});

test.each(['=1+1', ' =1', '\t@x', 'all well\n=cmd', '|calc', '+49', '-1', '%0', '\u200B=1', '＝1'])(
  'the journal opens %j with an apostrophe, and leaves words alone',
  (cell) => {
    const csv = journalCsv([{ date: '2027-05-01', bed: '3', what: 'Sowed rye', detail: cell }]);
    expect(csv).toContain(`'${cell[0] === '\t' ? '\t' : cell[0]}`);
    expect(csv.startsWith('date,bed,what,detail\n2027-05-01,3,Sowed rye,')).toBe(true);
  },
);
