import { type Day } from '../../core/calendar/day.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { type UnitChoice } from '../../core/units/show.ts';
import { changeWords, waysOut } from '../../ui/changeWords.ts';
import { reasonWords } from '../../ui/reasonWords.ts';

/** What does not fit, folded away, each with its reasons and what would have to change. */
export function RuledOut({
  samples,
  units,
  plantDay,
  open,
}: {
  samples: Sample[];
  units: UnitChoice;
  plantDay: Day;
  open: boolean;
}) {
  return (
    <details className="mt-4" open={open}>
      <summary className="cursor-pointer font-semibold">
        {samples.length} covers are ruled out here, with reasons
      </summary>
      <ul className="mt-2 max-w-3xl">
        {samples.map((s) => (
          <li key={s.id} className="border-linen border-t py-1">
            <b>{s.name}.</b>{' '}
            {s.reasons
              .filter((r) => r.side === 'against')
              .slice(0, 2)
              .map((r) => {
                const w = reasonWords(r, units);
                return `${w.lead} ${w.rest}`;
              })
              .join(' ')}
            {s.changes.length > 0 && s.stand.stand >= 0.4 && (
              <span className="text-bark block text-sm">
                What would have to change: {s.changes.map((c) => changeWords(c, s, plantDay)).join(' ')}
              </span>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** When nothing fits: what would have to change, and what to do when it cannot. */
export function NothingFits({ samples, plantDay }: { samples: Sample[]; plantDay: Day }) {
  const ways = waysOut(samples);
  return (
    <section className="border-madder mt-4 max-w-2xl border-l-4 pl-4" role="status">
      <h2 className="font-display text-2xl font-bold">Nothing fits this gap as it stands</h2>
      {ways.length > 0 ? (
        <>
          <p>What would have to change, the smallest change first:</p>
          <ul className="mt-1 list-disc pl-5">
            {ways.map(({ sample, change }) => (
              <li key={change.kind}>
                <b>{sample.name}.</b> {changeWords(change, sample, plantDay)}
              </li>
            ))}
          </ul>
        </>
      ) : (
        <p>No change of a few weeks, of tools or of planting would bring one about.</p>
      )}
      <p className="mt-2">
        Otherwise keep the ground covered without a stand: straw or leaves a hand deep, a sheet until
        planting, or a quick crop of leaves that you eat.
      </p>
    </section>
  );
}
