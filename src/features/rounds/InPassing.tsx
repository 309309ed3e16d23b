import { type ReactNode } from 'react';
import { Link } from 'react-router';
import { type Question } from '../../core/rounds/question.ts';
import { changeBed } from '../../records/commands/change.ts';
import type { Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { PEST, soilWords } from '../../ring/lookWords.ts';
import { showIsoYear } from '../../ui/dates.ts';
import { type Pick } from './pick.ts';

/** Answers that move no date: what they mean is said at once. */
export const TELLS_NO_DATE = new Set<Question['kind']>(['washed', 'edges', 'pests', 'soil', 'gaps']);
/** Pests that are a trouble of the bed itself: what is chosen for it is held against them. */
const OF_THE_BED = ['slugs', 'wireworm', 'voles'] as const;

/** What an answer means that moves no date, with the way to do it. */
export function InPassing({ cover, pick, question }: { cover: Cover; pick: Pick; question: Question }) {
  const { beds, looks, garden, hands, run } = useGarden();
  const bed = beds.find((b) => b.id === cover.bedId)!;
  switch (question.kind) {
    case 'washed':
      return pick.washed === 'none' ? (
        <Decision words="Nothing to do: it comes up where it fell." />
      ) : (
        <Decision words="Break a crust with a rake held lightly, before the shoots are up. What lies bare can be sown again while there is time.">
          <Link className="btn btn-primary" to={`/cover/${cover.id}/sow`}>
            Gaps and seed for them
          </Link>
        </Decision>
      );
    case 'edges':
      return (
        <Decision
          words={
            pick.edges === 'none'
              ? 'Clean all round.'
              : 'Cut them at the ground or hoe them now, and again in ten days: edges seed the whole bed.'
          }
        />
      );
    case 'gaps':
      return (
        <Decision
          words={
            pick.gaps === 'none'
              ? 'It covers still.'
              : 'Close the gaps with straw or leaves, a hand deep, before weeds find them.'
          }
        />
      );
    case 'pests': {
      const found = (pick.pests ?? []).filter((p) => (OF_THE_BED as readonly string[]).includes(p));
      const fresh = OF_THE_BED.filter((p) => found.includes(p) && !bed.troubles.includes(p));
      if ((pick.pests ?? []).length === 0)
        return <Decision words="Nothing that eats: look again before planting." />;
      return (
        <Decision
          words={`Noted: ${(pick.pests ?? []).map((p) => PEST[p]).join(', ')}. What lives in a cover moves into the crop: leave some days between its end and planting, and protect seedlings.`}
        >
          {fresh.length > 0 && (
            <button
              type="button"
              className="btn"
              onClick={() =>
                void run(
                  changeBed(hands, bed, (b) => ({ troubles: [...new Set([...b.troubles, ...fresh])] })),
                )
              }
            >
              Mark bed {bed.name} for {fresh.map((p) => PEST[p]).join(' and ')}
            </button>
          )}
        </Decision>
      );
    }
    case 'soil': {
      const before = looks
        .filter((l) => l.bedId === bed.id && l.soil)
        .sort((a, b) => b.on.localeCompare(a.on));
      const [now, last] = before;
      return (
        <Decision words={now?.soil ? `Now: ${soilWords(now.soil, garden.units)}.` : 'Noted.'}>
          {last?.soil ? (
            <p>
              {showIsoYear(last.on)}: {soilWords(last.soil, garden.units)}.
            </p>
          ) : (
            <p>The first of its kind on this bed: next year stands beside it.</p>
          )}
        </Decision>
      );
    }
    default:
      return null;
  }
}

/** What an answer means, and what to tap. */
export const Decision = ({ words, children }: { words: string; children?: ReactNode }) => (
  <div className="border-walnut mt-3 border-l-4 pl-3">
    <p className="text-lg font-semibold">{words}</p>
    {children}
  </div>
);
