import { useEffect, useMemo, useState } from 'react';
import { type Plan } from '../../core/rotation/rotation.ts';
import { judge, type Style } from '../../core/rotation/rules.ts';
import { comingYear, rotationQuestion } from '../../questions/rotation.ts';
import { useAnswer } from '../../ring/answers.ts';
import { useGarden } from '../../ring/garden.tsx';
import { SelectField } from '../../ui/fields.tsx';
import { NoAnswer } from '../../ui/parts.tsx';
import { PlanGrid } from './PlanGrid.tsx';
import { PlanJudged } from './PlanJudged.tsx';
import { usePlanCovers } from './usePlanCovers.ts';

const STYLES: Record<Style, [string, string]> = {
  'fewest-bent': ['Fewest rules bent', 'Each bed by itself.'],
  sections: ['By sections', 'A block keeps to few families, and blocks change places.'],
  'with-rest': ['With rests', 'One bed in six lies under clover for the year.'],
};
/** The coming years: three plans, judged by rules that are shown, changed by tap or drag. */
export function NextYears() {
  const ring = useGarden();
  const { beds, today } = ring;
  const [years, setYears] = useState(3);
  const asked = useMemo(() => rotationQuestion(ring, today, years), [ring, today, years]);
  const { answer, failure } = useAnswer(
    'rotate',
    useMemo(() => JSON.stringify(asked), [asked]),
  );
  const [style, setStyle] = useState<Style>('fewest-bent');
  const [own, setOwn] = useState<string[][] | null>(null);
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
  if (beds.length === 0)
    return <p>Add beds and what grows on them first; then the coming years can be planned.</p>;
  const names = new Map(beds.map((b) => [b.id, b.name]));
  const families = [...new Set(asked.wanted.map((w) => w.family))].sort();
  return (
    <div className="garden-touch grid gap-8 lg:grid-cols-[minmax(0,1fr)_21rem]">
      <div className="min-w-0">
        <p className="max-w-2xl">
          This year’s crops change places. Drag a crop to another bed of the same year, or tap one and then
          the other; what that bends is told at once. Above each stands the cover for the gap before it, with
          the years of 100 in which it is out of the way in time: tap it for another, or drag it to another
          gap.
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
            <PlanGrid
              plan={plan}
              asked={asked}
              cells={covers.cells}
              names={names}
              families={families}
              first={first}
              swap={swap}
              exchange={covers.exchange}
            />
          </>
        )}
      </div>
      {plan && (
        <PlanJudged
          plan={plan}
          asked={asked}
          ground={ground}
          covers={covers}
          names={names}
          families={families}
          first={first}
        />
      )}
    </div>
  );
}
