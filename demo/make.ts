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
import { forecastCover } from '../src/core/forecast/forecast.ts';
import { datedPasses } from '../src/core/plan/passes.ts';
import { type EndingAnswer } from '../src/core/plan/answers.ts';
import { standOf } from '../src/core/plan/standing.ts';
import { DEAD_BELOW, mostAlive } from '../src/core/termination/end.ts';
import { dailyClimate } from '../src/core/site/daily.ts';
import { STAGES } from '../src/core/stand/species.ts';
import { dryMatterOn } from '../src/core/stand/course.ts';
import { makeSeason } from '../src/core/weather/season.ts';
import { forecastInput, observedOf } from '../src/questions/cover.ts';
import { coverOf } from '../src/questions/draft.ts';
import { bedNotes, gapQuestion } from '../src/questions/gap.ts';
import { methodsHere, nextCropOf } from '../src/questions/methods.ts';
import { predictedOf } from '../src/questions/predicted.ts';
import { readGardenFile, writeGardenFile } from '../src/records/files/gardenFile.ts';
import type { Bed, Cover, Look, Planting, WeatherYear } from '../src/records/types.ts';
import { BLANK_LOOK, type GardenContents, type Kept } from '../src/records/verbs/verbs.ts';
import { type CoverRow, NORTH_SHORE, type Scenario, TWO_GUMS } from './scenario.ts';
import { notesOf, trialsOf, weighedFrame, withPieces } from './written.ts';

// Makes the demo gardens: the gardener of the scenario chooses as Kilim advised on the day, one plausible year comes true, and what is looked at and logged
// is what that year brought. Run it again whenever the model or the records change: `npx tsx demo/make.ts`.

const YEARS = 100;
/** A gardener's eye: what is seen is rounded to this. */
const SEEN_TO = 0.05;
/** Days after sowing on which a stand is looked at, and days of the spring after. */
const LOOKED_AT_D = [12, 45];
const LOOKED_AT_SPRING = ['03-20', '04-08'];

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

/** The way that is put forward on a day for what stands there then, in place of what was planned. */
function endAnew(
  s: Scenario,
  c: GardenContents,
  bed: Bed,
  cover: Cover,
  on: string,
  method?: string,
  startOn?: string,
): Cover {
  const input = {
    ...forecastInput(c.garden, bed, cover, c.plantings, c.looks, on, YEARS),
    observed: observedOf(c.weather, cover, on),
  };
  const f = forecastCover(
    method && startOn && !input.lived ? { ...input, settled: { method, startDay: dayOf(startOn) } } : input,
  );
  const e = method ? f.endings.find((x) => x.method === method) : f.best;
  if (!e) throw new Error(`${cover.id}: no way from ${on}`);
  const here = methodsHere(c.garden, bed).find((m) => m.id === e.method)!;
  const answer = startOn ? { ...e, startDay: dayOf(startOn), dead: later(e, dayOf(startOn)) } : e;
  console.log(
    `${s.name} ${bed.name} from ${on}: ${e.method} ${isoOf(Math.round(answer.startDay))} ${Math.round(100 * e.odds.inTime)}/100`,
  );
  const waiting = cover.passes.find((p) => !p.doneOn);
  return {
    ...cover,
    method: e.method,
    passes: [
      ...cover.passes.filter((p) => p.doneOn),
      ...datedPasses(here.passes, answer, dayOf(cover.plantBackOn ?? cover.sowOn)),
    ],
    predicted: predictedOf(answer, on),
    formerPlans: [
      ...cover.formerPlans,
      {
        until: on,
        method: cover.method,
        due: waiting?.due ?? null,
        why: cover.verdict === 'regrew' ? 'grew-again' : 'chosen-anew',
      },
    ],
    verdict: null,
  };
}

const later = (e: EndingAnswer, startDay: number): EndingAnswer['dead'] => {
  const by = startDay - e.startDay;
  return { low: e.dead.low + by, mid: e.dead.mid + by, high: e.dead.high + by };
};

/** Cut too early, counted, and ended another way. */
function wrong(
  s: Scenario,
  c: GardenContents,
  bed: Bed,
  cover: Cover,
  w: NonNullable<CoverRow['wentWrong']>,
): Cover {
  const cut: Cover = {
    ...cover,
    method: 'cut',
    passes: [{ kind: 'cut', due: w.cutOn, doneOn: w.cutOn }],
    verdict: 'regrew',
    formerPlans: [
      { until: w.cutOn, method: cover.method, due: cover.passes[0]?.due ?? null, why: 'chosen-anew' },
    ],
  };
  c.looks.push({ ...newLook(s, cut, w.seenOn, 'crowns'), crowns: { green: w.green, of: w.of } });
  return endAnew(s, c, bed, cut, w.seenOn, w.method, w.onceMore);
}

/** Day on which what was done had killed it, in the year that came true. */
function diedOn(s: Scenario, c: GardenContents, bed: Bed, cover: Cover): string | undefined {
  const today = s.today;
  const last = cover.passes.at(-1)!.doneOn!;
  // Left to the weather: it was looked at on its day.
  if (cover.passes.every((p) => p.kind.startsWith('check'))) {
    const { course, fromDay } = cameTrue(s, c, bed, cover);
    return mostAlive(course, dayOf(last) - fromDay) <= DEAD_BELOW ? last : undefined;
  }
  const f = forecastCover({
    ...forecastInput(c.garden, bed, cover, c.plantings, c.looks, today, YEARS),
    observed: observedOf(c.weather, cover, today),
  });
  const day = f.settled?.dead.mid ?? f.endings.find((e) => e.method === cover.method)?.dead.mid;
  if (day === undefined || !Number.isFinite(day)) return undefined;
  return isoOf(Math.max(Math.round(day) + 1, dayOf(last)));
}

const newLook = (s: Scenario, cover: Cover, on: string, part: string): Look => ({
  id: `${s.name}-look-${cover.id.slice(s.name.length + 7)}-${part}`,
  gardenId: cover.gardenId,
  bedId: cover.bedId,
  coverId: cover.id,
  on,
  ...BLANK_LOOK,
});

/** The year that came true on this bed: its measured weather, and a variety, a seed lot and a soil of its own. */
function cameTrue(s: Scenario, c: GardenContents, bed: Bed, cover: Cover) {
  const input = forecastInput(c.garden, bed, cover, c.plantings, [], s.today, 8);
  const { soFar, fromDay } = standOf({ ...input, observed: observedOf(c.weather, cover, s.today) });
  const own = [...cover.id].reduce((n, ch) => n + ch.charCodeAt(0), 0);
  return { course: soFar.courses[own % soFar.courses.length]!, fromDay };
}

/** Looks of a gardener who walks past now and then: the year that came true, seen by eye. */
function looksAt(s: Scenario, c: GardenContents, bed: Bed, cover: Cover, row: CoverRow): Look[] {
  if (!cover.sownOn) return [];
  const sown = dayOf(cover.sownOn);
  const ended =
    cover.passes.find((p) => p.doneOn && p.kind !== 'mow-high')?.doneOn ?? cover.endedOn ?? s.today;
  const spring = LOOKED_AT_SPRING.map((md) =>
    dayOf(`${Number(cover.sownOn!.slice(0, 4)) + (row.mownHigh ? 2 : 1)}-${md}`),
  );
  const days = [...LOOKED_AT_D.map((d) => sown + d), ...spring].filter(
    (d) => isoOf(d) < ended && isoOf(d) < s.today,
  );
  const { course, fromDay } = cameTrue(s, c, bed, cover);
  const weighed = row.weighed ? [weighedFrame(cover, course, fromDay, ended)] : [];
  const passing = days.flatMap((day, k) => {
    const d = day - fromDay;
    if (dryMatterOn(course, d) < 1) return [];
    const alive = course.alive[d * course.members]!;
    const up = course.cover[d]!;
    const seen = Math.min(
      1,
      Math.max(0.01, Math.round(up / SEEN_TO) * SEEN_TO || Math.round(up * 100) / 100),
    );
    return [
      {
        ...newLook(s, cover, isoOf(day), String(k + 1)),
        emergence: k === 0 ? (up > 0.02 ? 'even' : 'some') : null,
        cover: Number(seen.toFixed(2)),
        height_m: Number(Math.max(0.02, course.height_m[d]!).toFixed(2)),
        stage: alive > 0.1 ? STAGES[Math.max(1, Math.floor(course.stage[d * course.members]!))]! : null,
        alive:
          k >= LOOKED_AT_D.length && alive < 0.9
            ? Number((Math.round(alive / SEEN_TO) * SEEN_TO).toFixed(2))
            : null,
      } as Look,
    ];
  });
  return [...passing, ...weighed];
}

for (const scenario of [NORTH_SHORE, TWO_GUMS]) {
  const read = readGardenFile(readFileSync(fileOf(scenario.name), 'utf8'));
  if (!read.ok) throw new Error(`${scenario.name}: ${JSON.stringify(read.failure)}`);
  const kept = await withPieces(made(scenario, read.value), scenario.name, scenario.cuts);
  writeFileSync(fileOf(scenario.name), `${writeGardenFile(kept)}\n`);
}
