import { endingFiguresOf, speciesOf } from '../../catalogue/catalogue.ts';
import { type Day, dayOf } from '../../core/calendar/day.ts';
import { type EndingAnswer } from '../../core/plan/answers.ts';
import { type AtCount, atCount, LOOKED_AT, lookDays, sureness, clock } from '../../core/work/crowns.ts';
import { type PlanB } from '../../core/work/planB.ts';
import type { Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showDay } from '../../ui/dates.ts';
import { AFTERWARDS, BY_GROUP } from '../../ui/dyingWords.ts';
import { PASS_WORDS } from '../../ui/methodWords.ts';
import { Dying } from './Dying.tsx';

interface Props {
  cover: Cover;
  ending: EndingAnswer | undefined;
  planB: PlanB | undefined;
  plantDay: Day;
  mean_c: number;
}

/** Looks that prove it dead: the days, what to see by then, and what to do at each count. */
export function LooksThatProve({ cover, ending, planB, plantDay, mean_c }: Props) {
  const { today } = useGarden();
  const last =
    [...cover.passes].reverse().find((p) => p.doneOn && LOOKED_AT[p.kind]) ??
    cover.passes.find((p) => LOOKED_AT[p.kind]);
  if (!last) return null;
  const way = LOOKED_AT[last.kind]!;
  const from = dayOf(last.doneOn ?? last.due);
  const usual = lookDays(way, mean_c).map((d) => from + d);
  // Under a sheet the heat decides, and the forecast knows how much of it came.
  const lies = last.kind.startsWith('lay-') && ending && Number.isFinite(ending.dead.high);
  const [first, second] = lies ? [Math.floor(ending.dead.low), Math.ceil(ending.dead.high)] : usual;
  const times = lies ? (ending.dead.mid - from) / AFTERWARDS[way].at(-1)!.day : clock(mean_c);
  const groups = [...new Set(cover.parts.map((p) => endingFiguresOf(p.speciesId)?.group ?? 'other'))];
  const nameOf = (group: string) =>
    cover.parts
      .filter((p) => (endingFiguresOf(p.speciesId)?.group ?? 'other') === group)
      .map((p) => speciesOf(p.speciesId).name)
      .join(', ');
  const lookOn = Math.max(first!, dayOf(today));
  const rows = countRows(
    ending?.surviving ?? 0.1,
    (lookOn - from) / times,
    way,
    (planB?.latest ?? plantDay) - lookOn,
  );
  return (
    <section aria-labelledby="looks-prove" className="mt-4">
      <h3 id="looks-prove" className="font-display text-lg font-bold">
        Looks that prove it
      </h3>
      <p className="max-w-2xl">
        After {PASS_WORDS[last.kind]?.title.toLowerCase() ?? last.kind} a look is worth something from{' '}
        <b>{showDay(first!)}</b>, and is sure about <b>{showDay(second!)}</b>. Ten crowns, two of them within
        a hand of an edge.
      </p>
      <div className="mt-2 grid gap-x-8 gap-y-3 sm:grid-cols-2">
        <ul>
          {AFTERWARDS[way].map((a) => (
            <li key={a.day} className="border-linen grid grid-cols-[4.5rem_1fr] border-t py-1">
              <b className="tabular-nums">{showDay(from + Math.round(a.day * times))}</b>
              <span>{a.seen}</span>
            </li>
          ))}
        </ul>
        <div>
          <Dying crimped={way === 'crimped'} />
          {groups.map((g) => (
            <p key={g} className="mt-1">
              <b>{nameOf(g)}.</b> Alive: {BY_GROUP[g].lives}. Dying: {BY_GROUP[g].dying}.
            </p>
          ))}
        </div>
      </div>
      <table className="mt-2">
        <caption className="text-left font-bold">On {showDay(lookOn)}, of ten crowns</caption>
        <tbody>
          {rows.map((r) => (
            <tr key={r.from} className="border-linen border-t">
              <th scope="row" className="pr-4 text-left tabular-nums">
                {r.from === r.to ? r.from : `${r.from} to ${r.to}`} green
              </th>
              <td>{WHAT_TO_DO[r.what]}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const WHAT_TO_DO: Record<AtCount, string> = {
  dead: 'Dead, as far as ten crowns can tell. Say so, and look once more where planting comes.',
  'look-again': 'Not to be told yet: look again in five to seven days.',
  'plan-b': 'The way has failed in part: go over to plan B.',
  'too-late': 'Plan B no longer fits: a quicker way, larger transplants, or another day.',
};

/** Counts that call for the same, as stretches. */
function countRows(prior: number, days19: number, way: Parameters<typeof sureness>[0], slack_d: number) {
  const rows: { from: number; to: number; what: AtCount }[] = [];
  for (let k = 0; k <= 10; k++) {
    const what = atCount(k, 10, prior, sureness(way, days19), slack_d);
    const before = rows.at(-1);
    if (before?.what === what) before.to = k;
    else rows.push({ from: k, to: k, what });
  }
  return rows;
}
