import 'fake-indexeddb/auto';
import { dayOf, isoOf } from '../src/core/calendar/day.ts';
import { type Course, dryMatterOn } from '../src/core/stand/course.ts';
import { fresh_kg_m2 } from '../src/core/stand/fresh.ts';
import { drawLots } from '../src/core/trial/lots.ts';
import { cutBed } from '../src/records/commands/pieces.ts';
import { logStrip, setStrip } from '../src/records/commands/strips.ts';
import { KilimDatabase } from '../src/records/db.ts';
import { bringBack } from '../src/records/files/gardenFile.ts';
import type { Bed, Cover, Look, Note, Trial } from '../src/records/types.ts';
import { BLANK_LOOK, type Hands, type Kept, readKept } from '../src/records/verbs/verbs.ts';
import { type BedCut, type LastingSaid, type WrittenDown } from './scenario.ts';

// What the gardener of a scenario wrote down beside crops and covers: notes, what was carried, soil tests, trials, weighed frames, and pieces that beds were cut into.

type BedNamed = (name: string) => Bed;

export function notesOf(name: string, gardenId: string, w: WrittenDown, bedNamed: BedNamed): Note[] {
  const note = (id: string, bed: string, on: string, rest: Partial<Note>): Note => ({
    id: `${name}-${id}`,
    gardenId,
    bedId: bedNamed(bed).id,
    on,
    text: '',
    ...rest,
  });
  return [
    ...w.notes.map(([bed, on, text], i) => note(`note-${i + 1}`, bed, on, { text })),
    ...w.moved.map(([bed, on, what, kg], i) => note(`moved-${i + 1}`, bed, on, { moved: { what, kg } })),
    ...w.tested.map(([bed, on, what, value], i) =>
      note(`tested-${i + 1}`, bed, on, { tested: { what, value } }),
    ),
  ];
}

/** Trials with their lots drawn, and what was measured on their plots. */
export const trialsOf = (name: string, w: WrittenDown, bedNamed: BedNamed): Trial[] =>
  w.trials.map(({ bed, blocks, seed, values, ...t }, i) => ({
    ...t,
    id: `${name}-trial-${i + 1}`,
    planned: true,
    plots: drawLots(t.treatments.length, blocks, seed).map((plot) => ({
      ...plot,
      bedId: bedNamed(bed).id,
      value: values[plot.block]?.[plot.treatment] ?? null,
    })),
  }));

const FRAME_M2 = 0.25;

/** A frame cut and weighed on the eve of the ending: what stood there in the year that came true. */
export function weighedFrame(cover: Cover, course: Course, fromDay: number, endedOn: string): Look {
  const day = dayOf(endedOn) - 1;
  const d = day - fromDay;
  const kg_m2 = fresh_kg_m2(dryMatterOn(course, d), course.stage[d * course.members]!);
  return {
    ...BLANK_LOOK,
    id: `${cover.id.replace('-cover-', '-look-')}-weighed`,
    gardenId: cover.gardenId,
    bedId: cover.bedId,
    coverId: cover.id,
    on: isoOf(day),
    bulk: { fresh_kg: Number((kg_m2 * FRAME_M2).toFixed(2)), area_m2: FRAME_M2 },
  };
}

/** Cuts beds as a gardener does, with the app's own commands, and says what lives on the pieces. */
export async function withPieces(kept: Kept, name: string, cuts: readonly BedCut[]): Promise<Kept> {
  if (cuts.length === 0) return kept;
  const db = new KilimDatabase(`demo-${name}`);
  let made = 0;
  const on = `${kept.garden.seasonClock!}T08:00:00.000Z`;
  const hands: Hands = { db, now: () => on, newId: () => `${name}-piece-${++made}` };
  const must = async (done: Promise<{ ok: boolean; failure?: unknown }>) => {
    const said = await done;
    if (!said.ok) throw new Error(`${name}: ${JSON.stringify(said)}`);
  };
  await must(bringBack(db, kept));
  for (const { bed, lasting, ...cut } of cuts) {
    const of = kept.beds.find((b) => b.name === bed)!;
    await must(cutBed(hands, of, { ...cut, today: kept.garden.seasonClock! }));
    for (const said of lasting) await lives(hands, said, must);
  }
  const now = (await readKept(db, kept.garden.id))!;
  db.close();
  // As they stood before, new ones after them.
  const inOrder = <R extends { id: string }>(rows: R[], before: readonly { id: string }[]): R[] => {
    const place = new Map(before.map((r, i) => [r.id, i]));
    return [...rows].sort((a, b) => (place.get(a.id) ?? before.length) - (place.get(b.id) ?? before.length));
  };
  return {
    ...now,
    beds: inOrder(now.beds, kept.beds),
    plantings: inOrder(now.plantings, kept.plantings),
    covers: inOrder(now.covers, kept.covers),
    looks: inOrder(now.looks, kept.looks),
    notes: kept.notes,
    weather: kept.weather,
    lots: kept.lots,
    recipes: kept.recipes,
    stamps: kept.stamps,
  };
}

async function lives(
  hands: Hands,
  { piece, life, done }: LastingSaid,
  must: (done: Promise<{ ok: boolean; failure?: unknown }>) => Promise<void>,
): Promise<void> {
  const strip = (await hands.db.beds.filter((b) => b.name === piece).first())!;
  await must(setStrip(hands, strip, life));
  for (const deed of done) await must(logStrip(hands, strip, deed));
}
