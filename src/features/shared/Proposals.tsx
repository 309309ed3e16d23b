import { type Proposal, type ShareChange } from '../../core/share/types.ts';
import { type UnitChoice } from '../../core/units/show.ts';
import { changeCosts, proposalTitle } from './proposalWords.ts';

/** What proposals are told with: names of things, and of what follows a cover. */
export interface ProposalWords {
  nameOf(thingId: string): string;
  cropOf(coverId: string): string;
  units: UnitChoice;
}

export type Take = (changes: ShareChange[], wanted: NonNullable<Proposal['wanted']>[], label: string) => void;

/** Ways round, the cheapest first, each with what it costs every bed concerned; taken with one tap. */
export function Proposals({
  proposals,
  words: { nameOf, cropOf, units },
  take,
}: {
  proposals: Proposal[];
  words: ProposalWords;
  take: Take;
}) {
  return (
    <ul className="mt-2 flex flex-col gap-2">
      {proposals.map((p, i) => {
        const title = proposalTitle(p, nameOf, cropOf, units);
        return (
          <li key={p.id}>
            <button
              type="button"
              className={`bg-paper w-full border-2 px-4 py-2 text-left ${i === 0 ? 'border-walnut' : 'border-linen'} hover:border-walnut`}
              onClick={() => take(p.changes, p.wanted ? [p.wanted] : [], title.toLowerCase())}
            >
              <span className="font-display block text-lg font-bold">{title}</span>
              {p.kind !== 'borrow' && (
                <span className="block">{p.changes.map((c) => changeCosts(c, units)).join('; ')}</span>
              )}
              <span className="text-moss block font-semibold">
                {p.over_h === undefined
                  ? `all ready in time: ${Math.round(p.allReady * 100)} of 100`
                  : p.over_h < 0.25
                    ? 'no week is over then'
                    : `${p.over_h.toFixed(1)} hours are over then`}
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
