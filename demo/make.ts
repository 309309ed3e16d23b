import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { coverName, coverOfId, membersOf } from '../src/catalogue/catalogue.ts';
import { dayOf, isoOf } from '../src/core/calendar/day.ts';
import { offerAims } from '../src/core/choose/begin.ts';
import { gapEnsemble, sampleFor } from '../src/core/choose/choose.ts';
import { type ChooseInput } from '../src/core/choose/input.ts';
import { hang, rankSamples } from '../src/core/choose/rank.ts';
import { chooseAll } from '../src/core/choose/rounds.ts';
import { type Sample } from '../src/core/choose/sample.ts';
import { type EndingAnswer } from '../src/core/plan/answers.ts';
import { dailyClimate } from '../src/core/site/daily.ts';
import { makeSeason } from '../src/core/weather/season.ts';
import { coverOf } from '../src/questions/draft.ts';
import { bedNotes, gapQuestion } from '../src/questions/gap.ts';
import { nextCropOf } from '../src/questions/methods.ts';
import { readGardenFile, writeGardenFile } from '../src/records/files/gardenFile.ts';
import type { Bed, Cover, Planting, WeatherYear } from '../src/records/types.ts';
import { type GardenContents, type Kept } from '../src/records/verbs/verbs.ts';
import { NORTH_SHORE } from './northShore.ts';
import { type CoverRow, type Scenario } from './scenario.ts';
import { TWO_GUMS } from './twoGums.ts';
import { notesOf, trialsOf, withPieces } from './written.ts';
import { YEARS, endAnew, wrong, diedOn, looksAt } from './looking.ts';

const fileOf = (name: string): string => join(import.meta.dirname, `${name}.kilim.json`);

/** The garden, its beds and its seed stay as they are in the file; what happened there is made anew. */
function made(s: Scenario, { stamps, ...base }: Kept): Kept {
  const garden = {
    ...base.garden,
    kit: s.kit,
    things: s.things,
    people: s.people,
    seasonClock: s.today,
    createdAt: `${s.weatherFrom}T08:00:00.000Z`,
  };
  const c: GardenContents = {
    ...base,
    garden,
    beds: base.beds.filter((b) => !b.piece),
    plantings: [],
    covers: [],
    looks: [],
    notes: [],
    weather: weatherOf(s, base),
  };
  const bedNamed = (name: string) => {
    const bed = c.beds.find((b) => b.name === name);
    if (!bed) throw new Error(`${s.name} has no bed ${name}`);
    return bed;
  };
  for (const [name, rows] of Object.entries(s.crops))
    rows.forEach(([cropId, way, plantOn, clearOn], i) =>
      c.plantings.push({
        id: `${s.name}-crop-${name}-${i + 1}`,
        gardenId: garden.id,
        bedId: bedNamed(name).id,
        cropId,
        way,
        plantOn,
        plantedOn: plantOn < s.today ? plantOn : null,
        clearOn,
        clearedOn: clearOn < s.today ? clearOn : null,
        note: '',
      }),
    );
  // In the order in which they were chosen: what went before is known by then.
  for (const row of [...s.covers].sort((a, b) => (a.free < b.free ? -1 : 1))) {
    const cover = lived(s, c, bedNamed(row.bed), row);
    c.covers.push(cover);
    c.looks.push(...looksAt(s, c, bedNamed(row.bed), cover, row));
  }
  c.notes = notesOf(s.name, garden.id, s, bedNamed);
  c.garden = { ...garden, trials: trialsOf(s.name, s, bedNamed) };
  return { ...c, stamps };
}

/** Measured days up to yesterday: one of the site's plausible years, to a tenth. */
function weatherOf(s: Scenario, { garden }: GardenContents): WeatherYear[] {
  const from = dayOf(s.weatherFrom);
  const season = makeSeason(dailyClimate(garden.site), from, dayOf(s.today) - from, s.seed);
  const tenth = (x: number) => Math.round(x * 10) / 10;
  const years = new Map<number, WeatherYear>();
  for (let d = 0; d < season.days; d++) {
    const on = isoOf(from + d);
    const year = Number(on.slice(0, 4));
    if (!years.has(year))
      years.set(year, { id: `${s.name}-weather-${year}`, gardenId: garden.id, year, days: [] });
    years.get(year)!.days.push({
      on,
      tmin_c: tenth(season.tmin_c[d]!),
      tmax_c: tenth(season.tmax_c[d]!),
      rain_mm: tenth(season.rain_mm[d]!),
    });
  }
  return [...years.values()];
}

/** One cover as it was chosen, sown, looked after and ended, as far as today. */
function lived(s: Scenario, c: GardenContents, bed: Bed, row: CoverRow): Cover {
  const next = row.next ? c.plantings.find((p) => p.bedId === bed.id && p.plantOn === row.next) : undefined;
  if (row.next && !next) throw new Error(`bed ${row.bed}: no crop goes in on ${row.next}`);
  const chosen = chosenFor(s, c, bed, row, next);
  const sown = isoOf(chosen.sowDay) < s.today;
  const plantOn = next?.plantOn ?? isoOf(chosen.sowDay + 110);
  let cover: Cover = {
    ...coverOf(chosen, bed, { wayId: 'raked', plantOn }, aimsFor(c, bed, row, next), c.garden, row.free),
    id: `${s.name}-cover-${row.bed}-${isoOf(chosen.sowDay).slice(0, 7)}`,
    nextPlantingId: next?.id ?? null,
    plantBackOn: next ? next.plantOn : null,
    sownOn: sown ? isoOf(chosen.sowDay) : null,
    note: row.note ?? '',
  };
  cover.seed = cover.seed.map((p) => ({
    ...p,
    used_g: sown ? Math.round(used_g(chosen, p.speciesId, bed)) : null,
  }));
  for (const on of row.mownHigh ?? [])
    cover.passes = [...cover.passes.filter((p) => p.doneOn), { kind: 'mow-high', due: on, doneOn: on }];
  if (row.mownHigh) cover = endAnew(s, c, bed, cover, '2027-02-20');
  if (row.wentWrong) cover = wrong(s, c, bed, cover, row.wentWrong);
  // What was due before today was done on its day, and seen dead when it was.
  const first = cover.passes.find((p) => !p.doneOn);
  if (!sown || !first || first.due >= s.today) return cover;
  cover.passes = cover.passes.map((p) => (p.due < s.today ? { ...p, doneOn: p.doneOn ?? p.due } : p));
  if (cover.passes.every((p) => p.doneOn)) {
    const deadOn = diedOn(s, c, bed, cover);
    if (deadOn && deadOn < s.today) cover = { ...cover, verdict: 'dead', endedOn: deadOn };
  }
  return cover;
}

function aimsFor(c: GardenContents, bed: Bed, row: CoverRow, next: Planting | undefined) {
  const crop = nextCropOf(next?.cropId ?? 'lettuce', next?.way ?? 'transplant');
  const notes = bedNotes({ bed, plantings: c.plantings, covers: c.covers }, dayOf(row.free));
  const until = next ? dayOf(next.plantOn) : dayOf(row.free) + 110;
  return offerAims(c.garden.site, crop, bed.soil, notes, dayOf(row.free), until).map(({ id, strands }) => ({
    id,
    strands,
  }));
}

/** The kind that the scenario names, ended as it says or as Kilim puts forward; or the first that Kilim hangs. No more sheets are asked for than there are. */
function chosenFor(
  s: Scenario,
  c: GardenContents,
  bed: Bed,
  row: CoverRow,
  next: Planting | undefined,
): Sample {
  const question: ChooseInput = gapQuestion(
    { garden: c.garden, bed, plantings: c.plantings, covers: c.covers, recipes: [], lots: c.lots },
    {
      wayId: 'raked',
      freeDay: dayOf(row.free),
      plantDay: next ? dayOf(next.plantOn) : dayOf(row.free) + 110,
      nextId: next?.cropId ?? 'lettuce',
      nextWay: next?.way ?? 'transplant',
      aims: aimsFor(c, bed, row, next),
      years: YEARS,
    },
  );
  const without: ChooseInput = {
    ...question,
    methods: question.methods.map((m) =>
      m.passes.some((p) => p.kind === 'lay-sheet') ? { ...m, missing: ['every sheet lies elsewhere'] } : m,
    ),
  };
  const pick = (asked: ChooseInput): Sample => {
    if (!row.cover) {
      const hung = hang(rankSamples(chooseAll(asked), asked.aims));
      const taken = new Set(
        c.covers.filter((k) => k.sowOn > isoOf(dayOf(row.free) - 120)).map((k) => k.parts[0]!.speciesId),
      );
      const head = hung.find((h) => !taken.has(h.sample.parts[0]!.speciesId)) ?? hung[0]!;
      return head.sample;
    }
    const known = coverNamed(row.cover);
    const candidate = {
      ...known,
      sowDay: row.sowOn ? dayOf(row.sowOn) : undefined,
      method: row.method,
      endDay: row.endOn ? dayOf(row.endOn) : undefined,
    };
    const one = { ...asked, candidates: [candidate] };
    return sampleFor(candidate, one, gapEnsemble(one));
  };
  const sample = pick(question);
  const best = sample.best;
  if (!best) throw new Error(`bed ${row.bed}: nothing ends ${sample.name}`);
  const fits = !laysSheet(c, best, s) || row.method === 'sheet';
  const settled = fits ? sample : pick(without);
  report(s, row, settled, fits);
  return settled;
}

/** A kind or mix of the catalogue, or parts with their shares: "hairy-vetch 0.6 + spring-oats 0.4". */
function coverNamed(text: string) {
  const known = coverOfId(text);
  if (known) return known;
  const parts = text.split('+').map((p) => {
    const [speciesId, share] = p.trim().split(' ');
    return { speciesId: speciesId!, share: Number(share) };
  });
  const members = membersOf(parts);
  if (members.length !== parts.length) throw new Error(`no cover ${text}`);
  return { id: text, name: coverName(parts), members };
}

function report(s: Scenario, row: CoverRow, { name, best, sowDay }: Sample, fits: boolean): void {
  const odds = best
    ? `${best.method} ${isoOf(Math.round(best.startDay))} ${Math.round(100 * best.odds.inTime)}/100`
    : 'none';
  console.log(`${s.name} ${row.bed} ${isoOf(sowDay)} ${name}: ${odds}${fits ? '' : ' (no sheet free)'}`);
}

/** Whether this ending wants a sheet while all that there are lie on other beds. */
function laysSheet(c: GardenContents, best: EndingAnswer, s: Scenario): boolean {
  if (best.method !== 'sheet' && best.method !== 'crimp-sheet') return false;
  const from = best.startDay;
  const to = Math.min(best.dead.high, best.startDay + c.garden.rules.sheetCap_d);
  const others = c.covers.flatMap((k) => {
    const lay = k.passes.find((p) => p.kind === 'lay-sheet');
    const lift = k.passes.find((p) => p.kind === 'lift-sheet');
    return lay && lift ? [[dayOf(lay.due), dayOf(lift.due)] as const] : [];
  });
  return (
    others.filter(([a, b]) => a < to && b > from).length >=
    s.things.filter((t) => t.of === 'opaque-sheet').length
  );
}

const used_g = (sample: Sample, speciesId: string, bed: Bed): number =>
  sample.seed_g_m2[sample.parts.findIndex((p) => p.speciesId === speciesId)]! * bed.area_m2 * (1 / 0.85);

for (const scenario of [NORTH_SHORE, TWO_GUMS]) {
  const read = readGardenFile(readFileSync(fileOf(scenario.name), 'utf8'));
  if (!read.ok) throw new Error(`${scenario.name}: ${JSON.stringify(read.failure)}`);
  const kept = await withPieces(made(scenario, read.value), scenario.name, scenario.cuts);
  writeFileSync(fileOf(scenario.name), `${writeGardenFile(kept)}\n`);
}
