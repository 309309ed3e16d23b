import { useMemo, useState } from 'react';
import { type AimStrands } from '../../core/aims/aims.ts';
import { type ForecastInput } from '../../core/plan/standing.ts';
import { showArea, type UnitChoice } from '../../core/units/show.ts';
import { useAnswer } from '../../ring/answers.ts';
import { showDay } from '../../ui/dates.ts';
import { SelectField } from '../../ui/fields.tsx';
import { Odds } from '../../ui/parts.tsx';

interface Props {
  asked: ForecastInput;
  method: string;
  name: string;
  aims: AimStrands[];
  area_m2: number;
  units: UnitChoice;
}

/** Planting in waves: the bed in lanes, each ended for its own planting day. */
export function Lanes({ asked, method, name, aims, area_m2, units }: Props) {
  const [open, setOpen] = useState(false);
  const [count, setCount] = useState(3);
  const [apart, setApart] = useState(7);
  const text = useMemo(
    () => (open ? JSON.stringify({ asked, method, aims, count, apart_d: apart }) : ''),
    [open, asked, method, aims, count, apart],
  );
  const { answer } = useAnswer('lanes', text, { quick: true, subject: method });
  return (
    <details className="border-warp mt-4 border-t pt-3" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="font-display cursor-pointer text-lg font-bold">In lanes, to plant in waves</summary>
      <div className="mt-2 grid max-w-md grid-cols-2 gap-3">
        <SelectField
          label="Lanes"
          value={String(count)}
          options={[2, 3, 4].map((n) => [String(n), String(n)] as const)}
          onChange={(n) => setCount(Number(n))}
        />
        <SelectField
          label="Planted apart"
          value={String(apart)}
          options={[4, 7, 10, 14].map((d) => [String(d), `${d} days`] as const)}
          onChange={(d) => setApart(Number(d))}
        />
      </div>
      {answer?.length === 0 && <p>This way waits for the weather: it cannot be done lane by lane.</p>}
      <ol className="mt-2 grid gap-x-6 sm:grid-cols-2 xl:grid-cols-4">
        {answer?.map((l, i) => (
          <li key={i} className="border-linen border-t py-2">
            <h4 className="font-bold">
              Lane {i + 1}, {showArea(area_m2 / answer.length, units)}
            </h4>
            <p>
              {name} {showDay(l.ending.startDay)}, plant {showDay(l.plantDay)}
            </p>
            <Odds odds={l.ending.odds.inTime} />
          </li>
        ))}
      </ol>
    </details>
  );
}
