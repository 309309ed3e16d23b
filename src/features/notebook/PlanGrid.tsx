import { useDrag } from '@use-gesture/react';
import { useState } from 'react';
import { cropOf, findCrop } from '../../catalogue/catalogue.ts';
import { type Plan, type RotationInput } from '../../core/rotation/rotation.ts';
import { judge, REST } from '../../core/rotation/rules.ts';
import { inkOf } from './familyInk.ts';
import { CoverCell } from './PlanCells.tsx';
import { cellKey, type GapCell } from './usePlanCovers.ts';

interface Props {
  plan: Plan;
  asked: RotationInput;
  cells: ReadonlyMap<string, GapCell>;
  names: ReadonlyMap<string, string>;
  families: readonly string[];
  first: number;
  swap(year: number, a: number, b: number): void;
  /** Puts the covers of two gaps in each other's place. */
  exchange(a: string, b: string): void;
}

/** Where the thumb or the mouse is over. */
const under = ([x, y]: readonly [number, number]): DOMStringMap =>
  document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-cell], [data-gap]')?.dataset ?? {};

/** A crop held, or dragged over another of its year: what the plan would come to is told before it is let go. A cover dragged over another gap the same way. */
function usePlanDrag({ plan, asked, cells, swap, exchange }: Props) {
  const [held, setHeld] = useState<[year: number, bed: number] | null>(null);
  const [says, setSays] = useState('');
  const [over, setOver] = useState('');
  const crop = useDrag(
    ({ args: [year, bed], last, tap, xy }) => {
      const at: [number, number] = [year as number, bed as number];
      if (tap) {
        if (held && held[0] === at[0]) {
          swap(at[0], held[1], at[1]);
          return setHeld(null);
        }
        return setHeld(at);
      }
      const [y, b] = (under(xy).cell ?? '').split(' ').map(Number);
      const to = y === at[0] && b !== undefined && Number.isInteger(b) && b !== at[1] ? b : undefined;
      if (!last) {
        setHeld(at);
        return setSays(to === undefined ? '' : swapped(plan, asked, at[0], at[1], to));
      }
      setHeld(null);
      setSays('');
      if (to !== undefined) swap(at[0], at[1], to);
    },
    { filterTaps: true },
  );
  const cover = useDrag(
    ({ args: [key], last, tap, xy }) => {
      if (tap) return;
      const to = under(xy).gap;
      const target = to === undefined || to === key ? undefined : cells.get(to);
      setOver(last || !target ? '' : to!);
      setSays(last || !target ? '' : hungThere(cells.get(key as string), target));
      if (last && target) exchange(key as string, to!);
    },
    { filterTaps: true },
  );
  return { held, says, over, crop, cover };
}

/** What putting two crops of a year in each other's place would come to. */
function swapped(plan: Plan, asked: RotationInput, year: number, a: number, b: number): string {
  const grid = plan.grid.map((row, y) =>
    y === year ? row.map((c, i) => (i === a ? row[b]! : i === b ? row[a]! : c)) : row,
  );
  const then = judge(asked, grid).bent.length;
  const now = plan.bent.length;
  if (then === now) return `${now} rules bent, as now.`;
  return `${then} rule${then === 1 ? '' : 's'} bent, ${now} now.`;
}

/** What a cover would come to in another gap, where that is known already. */
function hungThere(from: GapCell | undefined, to: GapCell): string {
  const name = from?.cover?.sample.name;
  if (!name) return '';
  const there = to.covers?.find((c) => c.sample.id === from.cover!.sample.id)?.sample.best;
  const before = `before ${cropOf(to.gap.cropId).name.toLowerCase()} on bed ${to.gap.bed.name}`;
  return there
    ? `${name} ${before}: in time in ${Math.round(there.odds.inTime * 100)} of 100 years.`
    : `${name} ${before}: let go, and it is worked out.`;
}

/** Crops of a plan by bed and year, each under its cover; a crop is dragged, or tapped and then another, to change places within its year, a cover dragged to any gap. */
export function PlanGrid(props: Props) {
  const { plan, asked, cells, names, families, first } = props;
  const { held, says, over, crop, cover } = usePlanDrag(props);
  return (
    <div className="mt-3 overflow-x-auto" tabIndex={0} role="region" aria-label="Crops of the coming years">
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
                      cell={cells.get(cellKey(bed.id, y))}
                      bed={names.get(bed.id)!}
                      year={first + y}
                      drag={{
                        ...cover(cellKey(bed.id, y)),
                        'data-gap': cellKey(bed.id, y),
                        'data-over': over === cellKey(bed.id, y) ? '' : undefined,
                      }}
                    />
                    <button
                      type="button"
                      {...crop(y, b)}
                      data-cell={`${y} ${b}`}
                      aria-pressed={on}
                      aria-label={`${name}, bed ${names.get(bed.id)}, ${first + y}${wrong ? ', a rule is bent' : ''}`}
                      className={`block w-36 touch-none truncate border-l-8 px-2 py-1.5 text-left lg:w-40 ${on ? 'bg-warp' : 'bg-paper'} ${wrong ? 'outline-madder outline-2' : ''}`}
                      style={{ borderColor: inkOf(families, findCrop(id)?.family ?? '') }}
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
      <p
        role="status"
        className="bg-walnut text-paper pointer-events-none fixed bottom-20 left-1/2 z-40 -translate-x-1/2 px-3 py-1 empty:hidden sm:bottom-6"
      >
        {says}
      </p>
    </div>
  );
}
