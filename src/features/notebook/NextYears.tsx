import { useCallback, useMemo, useRef, useState } from 'react';
import { findCrop } from '../../catalogue/catalogue.ts';
import { judge, type Judged, REST, type Style } from '../../core/rotation/rules.ts';
import {
  gridOf,
  hangCovers,
  type HungCover,
  planFrom,
  changeTurn,
  cropAt,
  swapTurns,
  type YearsPlan,
} from '../../core/rotation/yearsPlan.ts';
import { comingYear, rotationQuestion } from '../../questions/rotation.ts';
import { changePlan } from '../../records/commands/planting.ts';
import { useAnswer } from '../../ring/answers.ts';
import { useGarden } from '../../ring/garden.tsx';
import { SelectField } from '../../ui/fields.tsx';
import { NoAnswer } from '../../ui/parts.tsx';
import { PlanGrid } from './PlanGrid.tsx';
import { PlanJudged } from './PlanJudged.tsx';
import { usePlanCovers } from './usePlanCovers.ts';

type Shown = Style | 'own';
const STYLES: Record<Shown, [string, string]> = {
  own: ['Yours', 'As you changed it; it is kept with the garden.'],
  'fewest-bent': ['Fewest rules bent', 'Each bed by itself.'],
  sections: ['By sections', 'A block keeps to few families, and blocks change places.'],
  'with-rest': ['With rests', 'One bed in six lies under clover for the year.'],
};
const NONE_HUNG: HungCover[] = [];
const QUICK = { quick: true };

/** The plans that are there to choose from: those proposed, and the gardener's own. */
function usePlans(years: number) {
  const ring = useGarden();
  const { today, garden, hands, run } = ring;
  const asked = useMemo(() => rotationQuestion(ring, today, years), [ring, today, years]);
  // The page stands empty without it, and dozens of gaps may still be worked out: it waits for none of them.
  const { answer, failure } = useAnswer(
    'rotate',
    useMemo(() => JSON.stringify(asked), [asked]),
    QUICK,
  );
  const first = comingYear(today);
  const kept = garden.yearsPlan;
  const plans = useMemo(() => {
    const all = new Map<Shown, Judged>((answer ?? []).map((p) => [p.style, p]));
    const ids = asked.beds.map((b) => b.id);
    if (kept && answer?.[0])
      all.set('own', judge(asked, gridOf(kept, ids, first, answer[0].grid, asked.fixed)));
    return all;
  }, [answer, asked, kept, first]);
  const [chosen, setChosen] = useState<Shown>();
  /** The proposal that was changed before the plan made of it was there to be shown. */
  const begun = useRef<Shown>(undefined);
  const choose = (to: Shown) => {
    begun.current = undefined;
    setChosen(to);
  };
  const style = chosen && plans.has(chosen) ? chosen : kept ? 'own' : 'fewest-bent';
  const plan = plans.get(style);
  const hung = style === 'own' ? (kept?.hung ?? NONE_HUNG) : NONE_HUNG;
  /** What is changed by hand is kept as the gardener's own. */
  const change = useCallback(
    (to: (plan: YearsPlan) => YearsPlan) => {
      if (!plan) return;
      const shown = planFrom(
        asked.beds.map((b) => b.id),
        plan.grid,
        first,
        hung,
      );
      const anew = style !== 'own' && begun.current !== style;
      begun.current = style;
      void run(changePlan(hands, garden.id, shown, to, anew)).then((done) => done && setChosen('own'));
    },
    [plan, asked, first, hung, hands, run, garden.id, style],
  );
  return { asked, plans, plan, style, choose, hung, change, failure, first };
}

/** The coming years: three plans, judged by rules that are shown, changed by tap or drag; what was changed is kept as the gardener's own. */
export function NextYears() {
  const { beds } = useGarden();
  const [years, setYears] = useState(3);
  const { asked, plans, plan, style, choose, hung, change, failure, first } = usePlans(years);
  const ground = useMemo(() => asked.beds.map(({ id }) => beds.find((b) => b.id === id)!), [asked, beds]);
  const hang = useCallback((more: HungCover[]) => change((p) => hangCovers(p, more)), [change]);
  const covers = usePlanCovers(ground, plan?.grid, first, hung, hang);
  const idOf = (bed: number) => asked.beds[bed]!.id;
  const swap = (year: number, a: number, b: number) => {
    if (a !== b) change((p) => swapTurns(p, first + year, idOf(a), idOf(b)));
  };
  const put = (year: number, bed: number, place: number, cropId: string | undefined) =>
    change((p) => changeTurn(p, first + year, idOf(bed), (turn) => cropAt(turn, place, cropId)));
  const rest = (year: number, bed: number) =>
    change((p) => changeTurn(p, first + year, idOf(bed), () => REST));
  if (beds.length === 0)
    return <p>Add beds and what grows on them first; then the coming years can be planned.</p>;
  const names = new Map(beds.map((b) => [b.id, b.name]));
  const families = [
    ...new Set((plan?.grid ?? []).flat(2).flatMap((id) => findCrop(id)?.family ?? [])),
  ].sort();
  return (
    <div className="garden-touch grid gap-8 lg:grid-cols-[minmax(0,1fr)_21rem]">
      <div className="min-w-0">
        <p className="max-w-2xl">
          What this year’s beds bring changes places, and what follows each other stays together. Drag a crop
          to another bed of its year, or tap it: to put it where another stands, or to grow something else.
          Above it is the cover for the gap before it, with the years of 100 in which it is out of the way in
          time: tap it for another, or drag it.
        </p>
        <div className="mt-3 flex flex-wrap items-end gap-3">
          {[...plans].map(([id, p]) => (
            <button
              key={id}
              type="button"
              aria-pressed={style === id}
              className={`btn h-auto py-2 text-left ${style === id ? 'btn-primary' : ''}`}
              onClick={() => choose(id)}
            >
              <span>
                <b className="block">{STYLES[id][0]}</b>
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
            <p className="text-bark mt-2">{STYLES[style][1]}</p>
            <PlanGrid
              plan={plan}
              asked={asked}
              covers={covers}
              names={names}
              families={families}
              first={first}
              swap={swap}
              put={put}
              rest={rest}
            />
          </>
        )}
      </div>
      {plan && (
        <PlanJudged
          plan={plan}
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
