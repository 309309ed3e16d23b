import { speciesOf } from '../../catalogue/catalogue.ts';
import { germinationRange } from '../../core/seed/viability.ts';
import { showMass } from '../../core/units/show.ts';
import { germinationOf } from '../../questions/needs.ts';
import { removeLot } from '../../records/verbs/seed.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showIsoYear } from '../../ui/dates.ts';
import { Answer } from '../../ui/parts.tsx';
import { LotForm, useLotForm } from './LotForm.tsx';

const percent = (x: number) => Math.round(x * 100);

/** Seed in the cupboard: how much, how old, how much of it lives. */
export function Shelf() {
  const { garden, lots, today, hands, run } = useGarden();
  const { form, open } = useLotForm();
  const sorted = [...lots].sort((a, b) => a.speciesId.localeCompare(b.speciesId) || a.year - b.year);
  if (!form) return null;
  return (
    <>
      <Answer
        big={
          lots.length === 0
            ? 'The shelf is empty'
            : `${lots.length} lot${lots.length === 1 ? '' : 's'} on the shelf`
        }
      >
        A sowing takes its seed from the lot you name; undo puts it back. Treated seed is never offered where
        shoots are eaten or animals feed.
      </Answer>
      <ul>
        {sorted.map((l) => (
          <li key={l.id} className="border-linen flex flex-wrap items-baseline gap-x-4 border-t py-2">
            <b>{speciesOf(l.speciesId).name}</b>
            <span>
              {l.label && `${l.label}, `}
              {l.year}
            </span>
            <span className="font-bold">{showMass(l.left_g, garden.units)}</span>
            <span>
              {l.test
                ? `${l.test.sprouted} of ${l.test.sown} sprouted ${showIsoYear(l.test.on)}: ${percent(germinationRange(l.test).low)} to ${percent(germinationRange(l.test).high)} in 100 grow`
                : `not tested; by its age about ${percent(germinationOf(l, today))} in 100 grow`}
            </span>
            {l.treated && (
              <span className="text-madder font-bold">treated: poisonous, not for eating or animals</span>
            )}
            {l.free && <span>free</span>}
            <button type="button" className="btn btn-ghost btn-xs ml-auto" onClick={() => open(l)}>
              Change
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              onClick={() => void run(removeLot(hands, l))}
            >
              Take away
            </button>
          </li>
        ))}
      </ul>
      <LotForm form={form} />
      <SproutingTest />
    </>
  );
}

function SproutingTest() {
  return (
    <details className="mt-4 max-w-3xl">
      <summary className="font-display cursor-pointer text-lg font-bold">A sprouting test, in a week</summary>
      <ol className="list-decimal space-y-1 pl-6">
        <li>Take seeds from all over the bag, not the best ones. Count out fifty.</li>
        <li>
          Lay them apart on a kitchen cloth wrung out in water. Roll it up, put it into a loose bag, keep it
          at room warmth.
        </li>
        <li>Open it after four days, wet it again if it dries, and take out and count what has a root.</li>
        <li>
          Count again on the seventh day; clovers and vetches on the tenth. Seeds still hard as stones sleep
          on: they do not count.
        </li>
      </ol>
    </details>
  );
}
