import { useDrag } from '@use-gesture/react';
import { useState } from 'react';
import { cropOf, findCrop } from '../../catalogue/catalogue.ts';
import { type Plan, REST, type RotationInput } from '../../core/rotation/rotation.ts';
import { inkOf } from './familyInk.ts';
import { CoverCell } from './PlanCells.tsx';
import { cellKey, type GapCell } from './usePlanCovers.ts';

/** Crops of a plan by bed and year, each under its cover; a crop is dragged, or tapped and then another, to change places within its year. */
export function PlanGrid({
  plan,
  asked,
  cells,
  names,
  families,
  first,
  swap,
}: {
  plan: Plan;
  asked: RotationInput;
  cells: ReadonlyMap<string, GapCell>;
  names: ReadonlyMap<string, string>;
  families: readonly string[];
  first: number;
  swap(year: number, a: number, b: number): void;
}) {
  const [held, setHeld] = useState<[year: number, bed: number] | null>(null);
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
                    />
                    <button
                      type="button"
                      {...bind(y, b)}
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
    </div>
  );
}
