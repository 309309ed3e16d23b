import { useDrag } from '@use-gesture/react';
import { useEffect, useMemo, useState } from 'react';
import { cropOf, findCrop } from '../../catalogue/catalogue.ts';
import { judge, type Plan, REST, type Style } from '../../core/rotation/rotation.ts';
import { comingYear, plantingsFor, rotationQuestion } from '../../questions/rotation.ts';
import { planYear } from '../../records/commands/planting.ts';
import { useAnswer } from '../../ring/answers.ts';
import { useGarden } from '../../ring/garden.tsx';
import { SelectField } from '../../ui/fields.tsx';
import { bentWords, PlanRules } from './PlanRules.tsx';
import { CoverCell, PlanSumsList } from './PlanCells.tsx';
import { cellKey, usePlanCovers } from './usePlanCovers.ts';
import { NoAnswer } from '../../ui/parts.tsx';

const STYLES: Record<Style, [string, string]> = {
  'fewest-bent': ['Fewest rules bent', 'Each bed by itself.'],
  sections: ['By sections', 'A block keeps to few families, and blocks change places.'],
  'with-rest': ['With rests', 'One bed in six lies under clover for the year.'],
};
const FAMILY_INK = [
  'var(--color-leaf)',
  'var(--color-madder)',
  'var(--color-indigo)',
  '#7a5310',
  '#8a4460',
  '#3c6b66',
  'var(--color-bark)',
  '#4a3f7a',
];
/** Families by their English names. */
const FAMILIES: Record<string, string> = {
  Solanaceae: 'tomato family',
  Brassicaceae: 'cabbage family',
  Fabaceae: 'bean family',
  Cucurbitaceae: 'squash family',
  Amaryllidaceae: 'onion family',
  Apiaceae: 'carrot family',
  Asteraceae: 'lettuce family',
  Amaranthaceae: 'beet family',
  Poaceae: 'grasses',
  Lamiaceae: 'mint family',
  Malvaceae: 'okra family',
  Rosaceae: 'strawberry family',
  Convolvulaceae: 'sweet potato family',
};

/** The coming years: three plans, judged by rules that are shown, changed by tap or drag. */
export function NextYears() {
  const ring = useGarden();
  const { garden, beds, today, hands, run } = ring;
  const [years, setYears] = useState(3);
  const asked = useMemo(() => rotationQuestion(ring, today, years), [ring, today, years]);
  const { answer, failure } = useAnswer(
    'rotate',
    useMemo(() => JSON.stringify(asked), [asked]),
  );
  const [style, setStyle] = useState<Style>('fewest-bent');
  const [own, setOwn] = useState<string[][] | null>(null);
  const [held, setHeld] = useState<[year: number, bed: number] | null>(null);
  useEffect(() => setOwn(null), [asked, style]);
  const proposed = answer?.find((p) => p.style === style) ?? answer?.[0];
  const plan: Plan | undefined = proposed && (own ? { style, ...judge(asked, own) } : proposed);
  const first = comingYear(today);
  const ground = useMemo(() => asked.beds.map(({ id }) => beds.find((b) => b.id === id)!), [asked, beds]);
  const covers = usePlanCovers(ground, plan?.grid, first);
  const swap = (year: number, a: number, b: number) => {
    if (!plan || a === b) return;
    setOwn(
      plan.grid.map((row, y) =>
        y === year ? row.map((c, i) => (i === a ? row[b]! : i === b ? row[a]! : c)) : row,
      ),
    );
  };
  const bind = useDrag(
    ({ args: [year, bed], last, tap, xy }) => {
      const at: [number, number] = [year as number, bed as number];
      if (tap) {
        if (held && held[0] === at[0]) {
          swap(at[0], held[1], at[1]);
          return setHeld(null);
        }
        return setHeld(at);
      }
      if (!last) return setHeld(at);
      setHeld(null);
      const over = document.elementFromPoint(xy[0], xy[1])?.closest<HTMLElement>('[data-cell]');
      const [y, b] = (over?.dataset.cell ?? '').split(' ').map(Number);
      if (y === at[0] && b !== undefined && Number.isInteger(b)) swap(y, at[1], b);
    },
    { filterTaps: true },
  );
  if (beds.length === 0)
    return <p>Add beds and what grows on them first; then the coming years can be planned.</p>;
  const names = new Map(beds.map((b) => [b.id, b.name]));
  const families = [...new Set(asked.wanted.map((w) => w.family))].sort();
  const ink = (family: string) =>
    FAMILY_INK[families.indexOf(family) % FAMILY_INK.length] ?? 'var(--color-bark)';
  const plantings = (newId: () => string) =>
    plan
      ? plantingsFor(
          ring,
          asked.beds.map((b) => b.id),
          plan.grid[0]!,
          first,
          newId,
        )
      : [];
  let draft = 0;
  const drafted = plantings(() => `draft-${++draft}`);
  const made = drafted.length;
  const hung = covers.coversFor(drafted).length;
  const take = () => {
    const crops = plantings(hands.newId);
    void run(planYear(hands, garden.id, first, crops, covers.coversFor(crops)));
  };
  return (
    <div className="garden-touch grid gap-8 lg:grid-cols-[minmax(0,1fr)_21rem]">
      <div className="min-w-0">
        <p className="max-w-2xl">
          This year’s crops change places. Drag a crop to another bed of the same year, or tap one and then
          the other; what that bends is told at once. Above each stands the cover for the gap before it, with
          the years of 100 in which it is out of the way in time: tap it for another.
        </p>
        <div className="mt-3 flex flex-wrap items-end gap-3">
          {(answer ?? []).map((p) => (
            <button
              key={p.style}
              type="button"
              aria-pressed={style === p.style}
              className={`btn h-auto py-2 text-left ${style === p.style ? 'btn-primary' : ''}`}
              onClick={() => setStyle(p.style)}
            >
              <span>
                <b className="block">{STYLES[p.style][0]}</b>
                {p.bent.length === 0 ? 'no rule bent' : `${p.bent.length} bent`}, {p.fed} fed
              </span>
            </button>
          ))}
          <div className="w-32">
            <SelectField
              label="Years"
              value={String(years)}
              options={['1', '2', '3', '4', '5'].map((y) => [y, y] as const)}
              onChange={(y) => setYears(Number(y))}
            />
          </div>
        </div>
        <NoAnswer failure={failure} />
        {!plan && !failure && (
          <p role="status" className="mt-3">
            Trying where each crop might go…
          </p>
        )}
        {plan && (
          <>
            <p className="text-bark mt-2">{STYLES[plan.style][1]}</p>
            <div
              className="mt-3 overflow-x-auto"
              tabIndex={0}
              role="region"
              aria-label="Crops of the coming years"
            >
              <table className="text-left">
                <thead>
                  <tr>
                    <th className="pr-3">Bed</th>
                    <th className="px-1">{first - 1}</th>
                    {plan.grid.map((_, y) => (
                      <th key={y} className="px-1">
                        {first + y}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {asked.beds.map((bed, b) => (
                    <tr key={bed.id}>
                      <th scope="row" className="pr-3 font-bold">
                        {names.get(bed.id)}
                      </th>
                      <td className="px-1">
                        <span className="text-bark block w-36 truncate px-2">
                          {cropOf(asked.wanted[b]!.cropId).name}
                        </span>
                      </td>
                      {plan.grid.map((row, y) => {
                        const id = row[b]!;
                        const wrong = plan.bent.some((x) => x.bedId === bed.id && x.year === y);
                        const on = held?.[0] === y && held[1] === b;
                        const name = id === REST ? 'rests in clover' : cropOf(id).name;
                        return (
                          <td key={y} className="px-1 py-0.5 align-bottom">
                            <CoverCell
                              cell={covers.cells.get(cellKey(bed.id, y))}
                              bed={names.get(bed.id)!}
                              year={first + y}
                            />
                            <button
                              type="button"
                              {...bind(y, b)}
                              data-cell={`${y} ${b}`}
                              aria-pressed={on}
                              aria-label={`${name}, bed ${names.get(bed.id)}, ${first + y}${wrong ? ', a rule is bent' : ''}`}
                              className={`block w-36 touch-none truncate border-l-8 px-2 py-1.5 text-left lg:w-40 ${on ? 'bg-warp' : 'bg-paper'} ${wrong ? 'outline-madder outline-2' : ''}`}
                              style={{ borderColor: ink(findCrop(id)?.family ?? '') }}
                            >
                              {name}
                            </button>
                          </td>
                        );
                      })}
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          </>
        )}
      </div>
      {plan && (
        <aside aria-label="How it is judged">
          <h2 className="font-display text-xl font-bold">
            {plan.bent.length === 0
              ? 'No rule bent'
              : `${plan.bent.length} ${plan.bent.length === 1 ? 'rule' : 'rules'} bent`}
          </h2>
          <ul className="mt-1">
            {plan.bent.slice(0, 12).map((b, i) => (
              <li key={i} className="border-linen border-t py-1.5">
                <b>
                  Bed {names.get(b.bedId)}, {first + b.year}:
                </b>{' '}
                {bentWords(b, names)}
              </li>
            ))}
            {plan.bent.length > 12 && <li>and {plan.bent.length - 12} more</li>}
          </ul>
          <p className="mt-2">
            {plan.fed} hungry {plan.fed === 1 ? 'crop follows' : 'crops follow'} beans, peas or a year of
            clover.
          </p>
          <PlanSumsList sums={covers.sums} waiting={covers.waiting} first={first} units={garden.units} />
          <PlanRules beds={ground} cropIds={asked.wanted.map((w) => w.cropId)} />
          <ul className="mt-3 grid grid-cols-2 gap-x-3 gap-y-1">
            {families.map((f) => (
              <li key={f} className="flex items-center gap-2">
                <span className="h-4 w-2" style={{ background: ink(f) }} /> {FAMILIES[f] ?? f}
              </li>
            ))}
          </ul>
          <button
            type="button"
            className="btn btn-primary mt-4 h-auto w-full py-2"
            disabled={made === 0}
            onClick={take}
          >
            {made === 0
              ? `${first} is planned already`
              : `Plan ${made} ${made === 1 ? 'crop' : 'crops'}${hung > 0 ? ` and ${hung} ${hung === 1 ? 'cover' : 'covers'}` : ''} for ${first}`}
          </button>
          <p className="text-bark mt-2">
            Each crop on the day that your warmth and frosts offer, with the cover that is shown before it.
          </p>
        </aside>
      )}
    </div>
  );
}
