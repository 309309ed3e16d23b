import type { Trial } from './types.ts';
import { usualThing } from './things.ts';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import Dexie from 'dexie';
import fc from 'fast-check';
import { dayOf } from '../core/calendar/day.ts';
import { readFileSync } from 'node:fs';
import { beside, takeIn } from './commands/keep.ts';
import { changeBed, changeCover, changeGarden } from './commands/change.ts';
import { changeMark } from './commands/ground.ts';
import { logPass } from './commands/ending.ts';
import { addWeather } from './commands/weather.ts';
import { logStrip, unlogStrip } from './commands/strips.ts';
import { KilimDatabase } from './db.ts';
import { bringBack, readGardenFile, writeGardenFile } from './files/gardenFile.ts';
import { onlyNew } from './files/onlyNew.ts';
import { merge } from './merge.ts';
import { overlapsIn } from './overlaps.ts';
import { brokenLink } from './references.ts';
import { type Hands, type Kept, readKept, removeBed, saveBeds, saveGarden, saveNote } from './verbs/verbs.ts';
import { redo, undo } from './write.ts';

const read = readGardenFile(readFileSync('demo/two-gums.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const base = read.value;
const garden = () => base.garden;
const id = base.garden.id;

/** A device with its own browser and clock. */
class Device {
  readonly db: KilimDatabase;
  readonly hands: Hands;
  minute = 0;
  constructor(readonly name: string) {
    this.db = new KilimDatabase(`merge-${name}-${++made}`);
    let n = 0;
    this.hands = {
      db: this.db,
      device: name,
      now: () => new Date(Date.UTC(2027, 4, 5, 8, this.minute)).toISOString(),
      newId: () => `${name}-${++n}`,
    };
  }
  kept = async (): Promise<Kept> => (await readKept(this.db, id))!;
}
let made = 0;
let phone: Device;
let laptop: Device;

beforeEach(async () => {
  phone = new Device('phone');
  laptop = new Device('laptop');
  for (const d of [phone, laptop]) await bringBack(d.db, base);
});
afterEach(async () => {
  for (const d of [phone, laptop]) {
    d.db.close();
    await Dexie.delete(d.db.name);
  }
});

const bedNamed = async (d: Device, name: string) => (await d.kept()).beds.find((b) => b.name === name)!;

describe('a phone and a laptop', () => {
  test('what each wrote stays: other fields of one bed, notes of both, two steps of one plan', async () => {
    phone.minute = 1;
    await saveBeds(phone.hands, [{ ...(await bedNamed(phone, 'Gate')), note: 'stony' }]);
    laptop.minute = 2;
    await saveBeds(laptop.hands, [{ ...(await bedNamed(laptop, 'Gate')), shade: 'part' }]);
    const note = (d: Device) => ({
      id: `note-${d.name}`,
      gardenId: id,
      bedId: base.beds[0]!.id,
      on: '2027-05-05',
      text: d.name,
    });
    await saveNote(phone.hands, note(phone));
    await saveNote(laptop.hands, note(laptop));
    const cover = base.covers.find(
      (c) => c.passes.length === 2 && c.passes.every((p) => !p.doneOn) && c.sownOn,
    )!;
    phone.minute = 3;
    await logPass(phone.hands, cover, 0, '2027-09-30', 'cut');
    laptop.minute = 4;
    // Logged without the first being known here.
    await logPass(laptop.hands, cover, 1, '2027-10-02', 'dig');
    expect((await takeIn(laptop.hands, await phone.kept(), 'merge')).ok).toBe(true);
    const all = await laptop.kept();
    expect(all.beds.find((b) => b.name === 'Gate')).toMatchObject({ note: 'stony', shade: 'part' });
    expect(all.notes.map((n) => n.text)).toEqual(expect.arrayContaining(['phone', 'laptop']));
    expect(all.covers.find((c) => c.id === cover.id)!.passes.map((p) => p.doneOn)).toEqual([
      '2027-09-30',
      '2027-10-02',
    ]);
  });
  test('the later word counts and is listed; both come to the same garden', async () => {
    phone.minute = 5;
    await saveBeds(phone.hands, [{ ...(await bedNamed(phone, 'Gate')), note: 'later' }]);
    laptop.minute = 4;
    await saveBeds(laptop.hands, [{ ...(await bedNamed(laptop, 'Gate')), note: 'earlier' }]);
    const [p, l] = [await phone.kept(), await laptop.kept()];
    const seen = await beside(laptop.db, p);
    expect(seen.clashes).toMatchObject([
      { table: 'beds', field: 'note', here: 'earlier', there: 'later', taken: 'there' },
    ]);
    expect(seen.tables.find((t) => t.table === 'beds')).toMatchObject({
      here: 8,
      there: 8,
      differ: 1,
      onlyHere: 0,
    });
    expect(seen).toMatchObject({
      isNew: false,
      gardenDiffers: false,
      newest: { here: '2027-05-05', there: '2027-05-05' },
    });
    await takeIn(laptop.hands, p, 'merge');
    await takeIn(phone.hands, l, 'merge');
    expect(writeGardenFile(await phone.kept())).toBe(writeGardenFile(await laptop.kept()));
    expect((await bedNamed(phone, 'Gate')).note).toBe('later');
  });
  test('what was taken away stays away, unless something written later stands on it', async () => {
    phone.minute = 1;
    await removeBed(phone.hands, await bedNamed(phone, 'Corner'));
    await removeBed(phone.hands, await bedNamed(phone, 'Shed'));
    laptop.minute = 9;
    const shed = await bedNamed(laptop, 'Shed');
    await saveNote(laptop.hands, { id: 'n1', gardenId: id, bedId: shed.id, on: '2027-05-05', text: 'dry' });
    await takeIn(laptop.hands, await phone.kept(), 'merge');
    const names = (await laptop.kept()).beds.map((b) => b.name);
    expect(names).not.toContain('Corner');
    expect(names).toContain('Shed');
  });
  test('a path mown on one device and mended on the other was both; a mowing that was taken back stays away', async () => {
    const path = base.beds.find((b) => b.life)!;
    const [known] = path.life!.done;
    phone.minute = 1;
    await logStrip(phone.hands, path, { kind: 'mow', on: '2027-05-03', minutes: 7 });
    laptop.minute = 2;
    await logStrip(laptop.hands, path, { kind: 'mend', on: '2027-05-01' });
    laptop.minute = 3;
    await unlogStrip(laptop.hands, path, known!);
    const [p, l] = [await phone.kept(), await laptop.kept()];
    for (const merged of [merge(p, l), merge(l, p)])
      expect(merged.beds.find((b) => b.id === path.id)!.life!.done).toEqual([
        { kind: 'mend', on: '2027-05-01' },
        { kind: 'mow', on: '2027-05-03', minutes: 7 },
      ]);
    expect((await beside(laptop.db, p)).clashes).toEqual([]);
  });
  test('tools, house rules and troubles are words of their own: a tick here and a tick there both stay, and so does one taken off', async () => {
    phone.minute = 2;
    await changeGarden(phone.hands, id, 'tools', (g) => ({
      kit: [...g.kit.filter((k) => k !== 'spade'), 'hoe'],
    }));
    await changeGarden(phone.hands, id, 'rule', (g) => ({ rules: { ...g.rules, noFire: true } }));
    const gate = await bedNamed(phone, 'Gate');
    await changeBed(phone.hands, gate, () => ({ troubles: ['slugs'] }));
    laptop.minute = 5;
    await changeGarden(laptop.hands, id, 'tools', (g) => ({ kit: [...g.kit, 'scythe'] }));
    await changeGarden(laptop.hands, id, 'rule', (g) => ({
      rules: { ...g.rules, noDigging: true, sheetCap_d: 60 },
    }));
    await changeBed(laptop.hands, gate, () => ({ troubles: ['voles'] }));
    const there = await phone.kept();
    expect((await beside(laptop.db, there)).clashes).toEqual([]);
    await takeIn(laptop.hands, there, 'merge');
    const { garden } = await laptop.kept();
    expect([...garden.kit].sort()).toEqual(['hoe', 'hose', 'rake', 'scale', 'scythe', 'shears']);
    expect(garden.rules).toMatchObject({ noFire: true, noDigging: true, sheetCap_d: 60, filmCap_d: 14 });
    expect((await bedNamed(laptop, 'Gate')).troubles).toEqual(['slugs', 'voles']);
  });
  test('marks on the plan are words of their own: a tree here and a shed there both stand, the one that was moved is where it was moved to', async () => {
    const mark = { ...garden().marks[0]!, id: 'old', name: 'Old pear' };
    for (const d of [phone, laptop]) {
      d.minute = 1;
      await changeMark(d.hands, id, 'old', mark, 'pear');
    }
    phone.minute = 2;
    await changeMark(phone.hands, id, 'new', { ...mark, id: 'new', name: 'Plum' }, 'plum');
    laptop.minute = 3;
    await changeMark(laptop.hands, id, 'old', { x_m: 7 }, 'pear');
    await takeIn(laptop.hands, await phone.kept(), 'merge');
    const { marks } = (await laptop.kept()).garden;
    expect(marks.find((m) => m.id === 'old')!.x_m).toBe(7);
    expect(marks.find((m) => m.id === 'new')!.name).toBe('Plum');
  });
  test('a thing bought on the phone and another measured on the laptop are both there; a thing given away there stays away', async () => {
    phone.minute = 2;
    await changeGarden(phone.hands, id, 'things', (g) => ({
      things: [...g.things, usualThing('mower', 'm1', g.things), usualThing('crimper-board', 'b1', g.things)],
      choices: { eating: 'yes' },
    }));
    laptop.minute = 3;
    await changeGarden(laptop.hands, id, 'things', (g) => ({
      things: g.things.map((t) => (t.of === 'opaque-sheet' ? { ...t, length_m: 12 } : t)),
      choices: { debris: 'keep' },
    }));
    await takeIn(laptop.hands, await phone.kept(), 'merge');
    const { garden } = await laptop.kept();
    expect(garden.things.map((t) => t.name).sort()).toEqual(['Board', 'Mower', 'Sheet']);
    expect(garden.things.find((t) => t.name === 'Sheet')).toMatchObject({ length_m: 12 });
    expect(garden.choices).toEqual({ eating: 'yes', debris: 'keep' });
    phone.minute = 8;
    await changeGarden(phone.hands, id, 'things', (g) => ({ things: g.things.filter((t) => t.id !== 'm1') }));
    await takeIn(laptop.hands, await phone.kept(), 'merge');
    expect((await laptop.kept()).garden.things.map((t) => t.name).sort()).toEqual(['Board', 'Sheet']);
  });
  test.each([
    ['laptop', 3, 9],
    ['phone', 12, 3],
  ])(
    'days of weather and waterings are gathered: what each side measured and poured stays, of one day the later word, that of the %s',
    async (_, phoneAt, rain) => {
      const cover = base.covers.find((c) => c.sownOn && c.verdict === null)!;
      const day = (on: string, rain_mm: number) => ({ day: dayOf(on), tmin_c: 8, tmax_c: 17, rain_mm });
      for (const [d, on, mm, minute] of [
        [phone, '2030-05-04', 3, phoneAt],
        [laptop, '2030-05-05', 9, 9],
      ] as const) {
        d.minute = minute;
        await addWeather(d.hands, id, [day('2030-05-03', mm), day(on, mm)]);
        await changeCover(d.hands, cover, 'water', 'x', (c) => ({
          waterings: [...c.waterings, { on: '2027-05-03', mm }],
        }));
      }
      await takeIn(laptop.hands, await phone.kept(), 'merge');
      const all = await laptop.kept();
      expect(all.weather.find((w) => w.year === 2030)!.days.map((x) => [x.on, x.rain_mm])).toEqual([
        ['2030-05-03', rain],
        ['2030-05-04', 3],
        ['2030-05-05', 9],
      ]);
      expect(all.covers.find((c) => c.id === cover.id)!.waterings.map((w) => w.mm)).toEqual([3, 9]);
    },
  );
  test('a step logged later than a plan was changed elsewhere is not lost to the changed plan', async () => {
    const cover = base.covers.find(
      (c) => c.passes.length === 2 && c.passes.every((p) => !p.doneOn) && c.sownOn,
    )!;
    laptop.minute = 2;
    await changeCover(laptop.hands, cover, 'x', 'x', (c) => ({ passes: c.passes.slice(0, 1) }));
    phone.minute = 6;
    await logPass(phone.hands, cover, 0, '2027-09-30', 'cut');
    await takeIn(laptop.hands, await phone.kept(), 'merge');
    expect((await laptop.kept()).covers.find((c) => c.id === cover.id)!.passes[0]!.doneOn).toBe('2027-09-30');
  });
  test('the same word written on both sides is no clash and no deed, and the later one is remembered', async () => {
    phone.minute = 7;
    await saveBeds(phone.hands, [{ ...(await bedNamed(phone, 'Gate')), note: 'stony' }]);
    laptop.minute = 3;
    await saveBeds(laptop.hands, [{ ...(await bedNamed(laptop, 'Gate')), note: 'stony' }]);
    const deeds = await laptop.db.log.count();
    const there = await phone.kept();
    expect((await beside(laptop.db, there)).clashes).toEqual([]);
    await takeIn(laptop.hands, there, 'merge');
    expect(await laptop.db.log.count()).toBe(deeds);
    expect((await laptop.kept()).stamps[0]!.fields.note).toEqual({
      at: '2027-05-05T08:07:00.000Z',
      by: 'phone',
    });
  });
  test('one undo takes a merge back and one redo does it again; so with a copy put in place', async () => {
    phone.minute = 1;
    await saveGarden(phone.hands, { ...base.garden, name: 'Three Gums' });
    await removeBed(phone.hands, await bedNamed(phone, 'Corner'));
    for (const how of ['merge', 'replace'] as const) {
      const before = writeGardenFile({ ...(await laptop.kept()), stamps: [] });
      laptop.minute++;
      expect((await takeIn(laptop.hands, await phone.kept(), how)).ok).toBe(true);
      const after = await laptop.kept();
      expect(after.garden.name).toBe('Three Gums');
      expect(after.beds).toHaveLength(7);
      await undo(laptop.db, id);
      expect(writeGardenFile({ ...(await laptop.kept()), stamps: [] })).toBe(before);
      await redo(laptop.db, id);
      expect((await laptop.kept()).beds).toHaveLength(7);
      await undo(laptop.db, id);
    }
  });
  test('ids that another garden holds are given new ones, and every pointer goes with them', async () => {
    const copy: Kept = JSON.parse(
      JSON.stringify(base).replaceAll('"gardenId":"two-gums"', '"gardenId":"other"'),
    );
    const plot = { bedId: base.beds[0]!.id, block: 0, treatment: 0, value: 3 };
    const trial: Trial = {
      id: 'trial',
      question: 'Which?',
      treatments: ['a', 'b'],
      measure: 'cover',
      unit: '%',
      lookOn: '2027-05-01',
      counts: 10,
      ends: ['', ''],
      drawnOn: '2027-04-01',
      planned: true,
      plots: [plot, { ...plot, treatment: 1 }],
    };
    copy.garden = { ...copy.garden, id: 'other', name: 'Other', trials: [trial] };
    const before = writeGardenFile(await laptop.kept());
    expect((await takeIn(laptop.hands, copy, 'replace')).ok).toBe(true);
    expect(writeGardenFile(await laptop.kept())).toBe(before);
    const other = (await readKept(laptop.db, 'other'))!;
    expect(other.covers).toHaveLength(base.covers.length);
    const beds = new Set(other.beds.map((b) => b.id));
    expect(other.covers.every((c) => beds.has(c.bedId))).toBe(true);
    expect(other.garden.trials[0]!.plots.every((p) => beds.has(p.bedId))).toBe(true);
    expect(other.garden.trials[0]!.plots[0]!.bedId).not.toBe(plot.bedId);
    expect(other.looks.every((l) => other.covers.some((c) => c.id === l.coverId))).toBe(true);
    expect(other.covers.filter((c) => c.nextPlantingId).length).toBe(
      base.covers.filter((c) => c.nextPlantingId).length,
    );
    expect(readGardenFile(writeGardenFile(other)).ok).toBe(true);
  });
});

test('a copy put in place keeps the words it came with, and what it overrules does not come back with the next merge', async () => {
  phone.minute = 3;
  const gate = await bedNamed(phone, 'Gate');
  await saveBeds(phone.hands, [{ ...gate, note: 'from the phone' }]);
  laptop.minute = 7;
  await saveBeds(laptop.hands, [{ ...gate, shade: 'deep', note: 'from the laptop' }]);
  const [ofPhone, ofLaptop] = [await phone.kept(), await laptop.kept()];
  laptop.minute = 9;
  expect((await takeIn(laptop.hands, ofPhone, 'replace')).ok).toBe(true);
  const now = await laptop.kept();
  expect(now.beds.find((b) => b.name === 'Gate')).toMatchObject({
    note: 'from the phone',
    shade: gate.shade,
  });
  const words = now.stamps.find((s) => s.id === `beds ${gate.id}`)!.fields;
  // The laptop had the later word on the note: putting the phone's in its place is a new word of the laptop.
  expect([words.note!.by, words.note!.at.slice(14, 16)]).toEqual(['laptop', '09']);
  expect([words.shade!.by, words.shade!.at.slice(14, 16)]).toEqual(['laptop', '09']);
  // The old copy of the laptop, met again, changes nothing of it.
  await takeIn(laptop.hands, ofLaptop, 'merge');
  expect((await bedNamed(laptop, 'Gate')).note).toBe('from the phone');
  // A word that the file alone has stays whose it was.
  laptop.minute = 20;
  await takeIn(phone.hands, ofPhone, 'replace');
  phone.minute = 21;
  await saveBeds(phone.hands, [{ ...(await bedNamed(phone, 'Gate')), width_m: 3, area_m2: gate.area_m2 }]);
  await takeIn(laptop.hands, await phone.kept(), 'replace');
  const later = (await laptop.kept()).stamps.find((s) => s.id === `beds ${gate.id}`)!.fields;
  expect([later.width_m!.by, later.width_m!.at.slice(14, 16)]).toEqual(['phone', '21']);
});

test('what a copy put in place lacks is taken away, and does not come back with a copy from before', async () => {
  laptop.minute = 2;
  const note = { id: 'n-1', gardenId: id, bedId: base.beds[0]!.id, on: '2027-05-05', text: 'here' };
  await saveNote(laptop.hands, note);
  const before = await laptop.kept();
  laptop.minute = 5;
  await takeIn(laptop.hands, base, 'replace');
  expect((await laptop.kept()).notes.some((n) => n.id === 'n-1')).toBe(false);
  await takeIn(laptop.hands, before, 'merge');
  expect((await laptop.kept()).notes.some((n) => n.id === 'n-1')).toBe(false);
});

test('a file of what is new goes to the rest of its garden and never stands for it', async () => {
  phone.minute = 6;
  await saveBeds(phone.hands, [{ ...(await bedNamed(phone, 'Gate')), note: 'new' }]);
  const since = '2027-05-05T08:05:00.000Z';
  const text = writeGardenFile(onlyNew(await phone.kept(), since), since);
  expect(text.length).toBeLessThan(writeGardenFile(await phone.kept()).length / 5);
  const part = readGardenFile(text);
  if (!part.ok) throw new Error(part.failure.code);
  expect(part.value.since).toBe(since);
  expect(await takeIn(laptop.hands, part.value, 'replace')).toMatchObject({
    failure: { code: 'file-part', facts: { since: '2027-05-05', garden: base.garden.name } },
  });
  expect((await laptop.kept()).beds).toHaveLength(base.beds.length);
  expect((await takeIn(laptop.hands, part.value, 'merge')).ok).toBe(true);
  expect((await bedNamed(laptop, 'Gate')).note).toBe('new');
  expect((await laptop.kept()).covers).toHaveLength(base.covers.length);
});

test('two covers sown on one bed on two devices both stay, and are named before anything is made one', async () => {
  const cover = base.covers.find((c) => c.sownOn && c.endedOn === null)!;
  const same = { ...cover, parts: [{ speciesId: 'phacelia', share: 1 }] };
  const copy: Kept = {
    ...base,
    covers: [...base.covers.filter((c) => c.id !== cover.id), { ...same, id: 'from-phone' }],
  };
  const seen = await beside(laptop.db, copy);
  expect(seen.overlaps).toEqual([
    { table: 'covers', bedId: cover.bedId, ids: [cover.id, 'from-phone'].sort() },
  ]);
  expect((await beside(laptop.db, base)).overlaps).toEqual([]);
  expect(overlapsIn(base)).toEqual([]);
});

test('undo leaves a newer word on the same field and says so', async () => {
  phone.minute = 1;
  const gate = await bedNamed(phone, 'Gate');
  await saveBeds(phone.hands, [{ ...gate, note: 'mine', shade: 'part' }]);
  // Another tab's word that this line of history does not hold.
  await phone.db.beds.update(gate.id, { note: 'newer' });
  const back = await undo(phone.db, id);
  expect(back.ok && back.value.stayed).toEqual(['note']);
  expect(await bedNamed(phone, 'Gate')).toMatchObject({ note: 'newer', shade: 'open' });
});

describe('merging', () => {
  const device = fc.constantFrom('a', 'b', 'c');
  const minute = fc.integer({ min: 1, max: 9 });
  const deed = fc.oneof(
    fc.record({
      what: fc.constant('note' as const),
      bed: fc.nat(5),
      text: fc.constantFrom('x', 'y', 'z'),
      minute,
    }),
    fc.record({
      what: fc.constant('shade' as const),
      bed: fc.nat(5),
      text: fc.constantFrom('open', 'part', 'deep'),
      minute,
    }),
    fc.record({
      what: fc.constantFrom('tick' as const, 'untick' as const),
      bed: fc.nat(5),
      text: fc.constantFrom('hoe', 'rake'),
      minute,
    }),
    fc.record({
      what: fc.constant('rule' as const),
      bed: fc.nat(5),
      text: fc.constantFrom('20', '90'),
      minute,
    }),
    fc.record({ what: fc.constant('remove' as const), bed: fc.nat(5), text: fc.constant(''), minute }),
    fc.record({ what: fc.constant('add' as const), bed: fc.nat(5), text: fc.constantFrom('p', 'q'), minute }),
  );
  /** A copy on which deeds were done by one device, stamped as a write stamps them. */
  const copyOf = (by: string, deeds: { what: string; bed: number; text: string; minute: number }[]): Kept => {
    const copy: Kept = JSON.parse(JSON.stringify({ ...base, weather: [] }));
    const stamp = (sid: string) => {
      let s = copy.stamps.find((k) => k.id === sid);
      if (!s) copy.stamps.push((s = { id: sid, gardenId: id, fields: {}, gone: null }));
      return s;
    };
    for (const d of [...deeds].sort((x, y) => x.minute - y.minute)) {
      const bedId = base.beds[d.bed % base.beds.length]!.id;
      const word = { at: `2027-05-05T08:0${d.minute}:00.000Z`, by };
      const bed = copy.beds.find((b) => b.id === bedId);
      if (!bed) continue;
      if (d.what === 'tick' || d.what === 'untick') {
        const kit = copy.garden.kit.filter((k) => k !== d.text);
        copy.garden.kit = d.what === 'tick' ? [...kit, d.text] : kit;
        stamp(`gardens ${id}`).fields[`kit.${d.text}`] = word;
      } else if (d.what === 'rule') {
        copy.garden.rules = { ...copy.garden.rules, sheetCap_d: Number(d.text) };
        stamp(`gardens ${id}`).fields['rules.sheetCap_d'] = word;
      } else if (d.what === 'note' || d.what === 'shade') {
        Object.assign(bed, { [d.what]: d.text });
        stamp(`beds ${bedId}`).fields[d.what] = word;
      } else if (d.what === 'add') {
        const nid = `note-${by}-${d.text}-${d.bed}`;
        copy.notes = copy.notes.filter((x) => x.id !== nid);
        copy.notes.push({ id: nid, gardenId: id, bedId, on: '2027-05-05', text: d.text });
        const s = stamp(`notes ${nid}`);
        for (const f of ['id', 'gardenId', 'bedId', 'on', 'text']) s.fields[f] = word;
        s.gone = null;
      } else {
        // Its pieces go with it.
        const going = copy.beds.filter((b) => b.id === bedId || b.piece?.of === bedId);
        const ids = new Set(going.map((b) => b.id));
        for (const t of ['looks', 'covers', 'plantings', 'notes'] as const)
          for (const r of copy[t].filter((x) => ids.has(x.bedId)))
            stamp(`${t} ${r.id}`).gone = { ...word, was: { ...r } };
        for (const t of ['looks', 'covers', 'plantings', 'notes'] as const)
          copy[t] = copy[t].filter((x) => !ids.has(x.bedId)) as never;
        for (const b of going) stamp(`beds ${b.id}`).gone = { ...word, was: { ...b } };
        copy.beds = copy.beds.filter((b) => !ids.has(b.id));
      }
    }
    return copy;
  };
  const copies = fc.tuple(device, fc.array(deed, { maxLength: 6 })).map(([by, deeds]) => copyOf(by, deeds));
  /** A garden with its rows in one order and its fields in one order. */
  const plain = ({ stamps, ...k }: Kept): unknown => {
    const sorted = (x: unknown): unknown =>
      Array.isArray(x)
        ? x.map(sorted)
        : typeof x === 'object' && x !== null
          ? Object.fromEntries(
              Object.entries(x)
                .sort(([a], [b]) => (a < b ? -1 : 1))
                .map(([f, v]) => [f, sorted(v)]),
            )
          : x;
    const rows = (list: { id: string }[]) => [...list].sort((a, b) => (a.id < b.id ? -1 : 1));
    return sorted({
      garden: {
        ...k.garden,
        kit: [...k.garden.kit].sort(),
        keeps: [...k.garden.keeps].sort(),
        // Things that go by their ids are in no order.
        marks: rows(k.garden.marks),
        trials: rows(k.garden.trials),
      },
      beds: rows(k.beds),
      notes: rows(k.notes),
      covers: rows(k.covers),
      plantings: rows(k.plantings),
      looks: rows(k.looks),
      stamps: rows(stamps),
    });
  };

  test('does not ask who merges with whom: either way round the same garden', () => {
    fc.assert(
      fc.property(copies, copies, (a, b) => expect(plain(merge(a, b))).toEqual(plain(merge(b, a)))),
      { numRuns: 60 },
    );
  });
  test('does not ask in which order: first with the one or first with the other', () => {
    fc.assert(
      fc.property(copies, copies, copies, (a, b, c) =>
        expect(plain(merge(merge(a, b), c))).toEqual(plain(merge(a, merge(b, c)))),
      ),
      { numRuns: 60 },
    );
  });
  test('only what is new brings what the whole copy would, and always hangs together', () => {
    const since = '2027-05-05T08:04:00.000Z';
    const grown = fc.tuple(device, fc.array(deed, { maxLength: 8 })).map(([by, deeds]) => ({
      older: copyOf(
        by,
        deeds.filter((d) => d.minute <= 4),
      ),
      newer: copyOf(by, deeds),
    }));
    let fewer = 0;
    fc.assert(
      fc.property(grown, ({ older, newer }) => {
        const part = onlyNew(newer, since);
        expect(plain(merge(older, part))).toEqual(plain(merge(older, newer)));
        expect(brokenLink(part)).toBeUndefined();
        if (part.covers.length < newer.covers.length) fewer++;
      }),
      { numRuns: 40, seed: 5 },
    );
    expect(fewer).toBeGreaterThan(20);
  });
  test('with itself changes nothing, and nothing that stands hangs in the air', () => {
    fc.assert(
      fc.property(copies, copies, (a, b) => {
        expect(plain(merge(a, a))).toEqual(plain(a));
        const m = merge(a, b);
        const beds = new Set(m.beds.map((x) => x.id));
        for (const r of [...m.covers, ...m.plantings, ...m.notes, ...m.looks])
          expect(beds.has(r.bedId)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});

test('where neither side has a later word, what is there stays before what is not, whichever side is asked', () => {
  const bare = { ...base, stamps: [] };
  const [first, ...others] = bare.covers;
  const watered = { ...bare, covers: [{ ...first!, irrigated: true }, ...others] };
  for (const [a, b] of [
    [bare, watered],
    [watered, bare],
  ] as const)
    expect(merge(a, b).covers.find((c) => c.id === first!.id)!.irrigated).toBe(true);
});

test('where both sides say something else of the same moment, one and the same word stays on either side', () => {
  const bare = { ...base, stamps: [] };
  const [first, ...others] = bare.beds;
  const noted = (note: string) => ({ ...bare, beds: [{ ...first!, note }, ...others] });
  const kept = (a: string, b: string) => merge(noted(a), noted(b)).beds.find((x) => x.id === first!.id)!.note;
  expect([kept('stony', 'wet'), kept('wet', 'stony')]).toEqual(['wet', 'wet']);
  expect([kept('', 'wet'), kept('wet', '')]).toEqual(['wet', 'wet']);
});
