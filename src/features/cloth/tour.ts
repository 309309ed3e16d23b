import { clothOf } from '../../core/bed/cloth.ts';
import { isGrown } from '../../core/bed/pieces.ts';
import { type Day, dayOf, isoOf } from '../../core/calendar/day.ts';
import type { Bed, Cover, Garden, Planting } from '../../records/types.ts';
import { showDay } from '../../ui/dates.ts';

/** One thing to be tried in a made-up garden, and whether it was done. */
export interface TourStep {
  id: 'hang' | 'sow' | 'look' | 'share' | 'end';
  words: string;
  to: string;
  done: boolean;
}

interface Contents {
  garden: Pick<Garden, 'things'>;
  beds: readonly Pick<Bed, 'id' | 'name' | 'piece'>[];
  plantings: Planting[];
  covers: Cover[];
}

const AHEAD_D = 300;
const LEAST_HOLE_D = 28;

/**
 * Answers: what is worth trying in this garden, in the order of a season? Each step is done once a deed of its kind stands in the history, wherever it was
 * done; steps that this garden has nothing for are left out.
 * @param deeds verbs of the writes that stand
 */
export function tourSteps(c: Contents, deeds: ReadonlySet<string>, today: string): TourStep[] {
  const now = dayOf(today);
  const name = (bedId: string) => c.beds.find((b) => b.id === bedId)?.name ?? '';
  const steps: TourStep[] = [];
  const add = (id: TourStep['id'], verbs: readonly string[], words: string, to: string) =>
    steps.push({ id, words, to, done: verbs.some((v) => deeds.has(v)) });
  const hole = firstHole(c, now);
  if (hole || deeds.has('put-cover'))
    add(
      'hang',
      ['put-cover'],
      hole
        ? `A hole opens on bed ${hole.bed} on ${showDay(hole.from)}: hang a cover in it`
        : 'Hang a cover in a hole',
      hole ? `/bed/${hole.bedId}/choose?from=${isoOf(hole.from)}` : '/',
    );
  const next = c.covers.filter((k) => !k.sownOn).sort((a, b) => a.sowOn.localeCompare(b.sowOn))[0];
  if (next || deeds.has('sow'))
    add(
      'sow',
      ['sow'],
      next ? `Sow bed ${name(next.bedId)}: ask whether today is good, throw, log it` : 'Sow a bed',
      next ? `/cover/${next.id}/sow` : '/',
    );
  const standing = c.covers.filter((k) => k.sownOn && k.verdict === null);
  if (standing.length > 0 || deeds.has('save-look') || deeds.has('count-crowns'))
    add(
      'look',
      ['save-look', 'count-crowns'],
      'Walk the rounds: answer one card and see what it moves',
      '/rounds',
    );
  if (c.garden.things.length > 1)
    add('share', ['share-things'], 'Two beds want the same sheet: take a way round', '/shared');
  const ends = standing
    .filter((k) => k.passes.some((p) => !p.doneOn && p.due >= today))
    .sort((a, b) => (a.passes[0]?.due ?? '').localeCompare(b.passes[0]?.due ?? ''))[0];
  if (ends || deeds.has('choose-ending') || deeds.has('log-pass'))
    add(
      'end',
      ['choose-ending', 'log-pass'],
      ends
        ? `Drag the day on which bed ${name(ends.bedId)} is ended, and settle on it`
        : 'Settle how a cover ends',
      ends ? `/cover/${ends.id}/terminate` : '/',
    );
  return steps;
}

/** The first stretch that stands open long enough for a cover, over all beds. */
function firstHole(c: Contents, now: Day): { bedId: string; bed: string; from: Day } | undefined {
  const holes = clothOf(c.beds, c.plantings, c.covers, now, now + AHEAD_D)
    .filter(({ bed }) => isGrown(bed))
    .flatMap(({ bed, segments }) =>
      segments
        .filter((s) => s.kind === 'bare' && s.to < now + AHEAD_D && s.to - s.from >= LEAST_HOLE_D)
        .map((s) => ({ bedId: bed.id, bed: bed.name, from: s.from })),
    );
  return holes.sort((a, b) => a.from - b.from)[0];
}
