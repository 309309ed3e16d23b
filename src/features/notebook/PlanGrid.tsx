import { useDrag } from '@use-gesture/react';
import { useState } from 'react';
import { cropOf, findCrop } from '../../catalogue/catalogue.ts';
import { type RotationInput } from '../../core/rotation/rotation.ts';
import { judge, type Judged, type Turn } from '../../core/rotation/rules.ts';
import { inkOf } from './familyInk.ts';
import { CoverCell } from './PlanCells.tsx';
import { TurnChange } from './TurnChange.tsx';
import { turnWords } from './turnWords.ts';
import { cellKey, type GapCell, type PlanCovers } from './usePlanCovers.ts';

interface Props {
  plan: Judged;
  asked: RotationInput;
  covers: PlanCovers;
  names: ReadonlyMap<string, string>;
  families: readonly string[];
  first: number;
  swap(year: number, a: number, b: number): void;
  /** Puts another crop at a place of a bed's year, or takes it away. */
  put(year: number, bed: number, place: number, cropId: string | undefined): void;
  /** Leaves a bed to rest for a year. */
  rest(year: number, bed: number): void;
}

/** What is planned already, or stands there, changes places with nothing. */
const stays = ({ fixed }: RotationInput, year: number, bed: number): boolean => !!fixed?.[year]?.[bed];

/** Where the thumb or the mouse is over. */
const under = ([x, y]: readonly [number, number]): DOMStringMap =>
  document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-cell], [data-gap]')?.dataset ?? {};

/** A crop held, or dragged over another of its year: what the plan would come to is told before it is let go. A cover dragged over another gap the same way. */
function usePlanDrag({ plan, asked, covers: { cells, exchange }, swap }: Props) {
  const [held, setHeld] = useState<[year: number, bed: number] | null>(null);
  const [dragged, setDragged] = useState(false);
  const [says, setSays] = useState('');
  const [over, setOver] = useState('');
  const tapOn = (at: [number, number]) => {
    if (held && held[0] === at[0]) {
      swap(at[0], held[1], at[1]);
      return setHeld(null);
    }
    setDragged(false);
    return setHeld(at);
  };
  const crop = useDrag(
    ({ args: [year, bed], last, tap, xy }) => {
      const at: [number, number] = [year as number, bed as number];
      if (tap) return tapOn(at);
      setDragged(!last);
      const [y, b] = (under(xy).cell ?? '').split(' ').map(Number);
      const to =
        y === at[0] && b !== undefined && Number.isInteger(b) && b !== at[1] && !stays(asked, y, b)
          ? b
          : undefined;
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
  return { held, tapOn, tapped: !dragged, letGo: () => setHeld(null), says, over, crop, cover };
}

/** What putting two crops of a year in each other's place would come to. */
function swapped(plan: Judged, asked: RotationInput, year: number, a: number, b: number): string {
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

/** Crops of a plan by bed and year, each under its cover; they are dragged, or tapped and then others, to change places within a year, a cover dragged to any gap. */
export function PlanGrid(props: Props) {
  const { plan, asked, covers, names, families, first, put, rest } = props;
  const drag = usePlanDrag(props);
  const { held, tapped, letGo, says } = drag;
  const heldTurn = held && plan.grid[held[0]]?.[held[1]];
  return (
    <>
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
                  <span className="text-bark block w-36 truncate px-2" title={turnWords(asked.turns[b]!)}>
                    {turnWords(asked.turns[b]!)}
                  </span>
                </td>
                {plan.grid.map((row, y) => (
                  <td key={y} className="px-1 py-0.5 align-bottom">
                    <YearOfBed
                      at={[y, b]}
                      bed={{ id: bed.id, name: names.get(bed.id)! }}
                      turn={row[b]!}
                      fixed={stays(asked, y, b)}
                      covers={covers}
                      families={families}
                      year={first + y}
                      wrong={plan.bent.filter((x) => x.bedId === bed.id && x.year === y).map((x) => x.cropId)}
                      drag={drag}
                    />
                  </td>
                ))}
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
      {held && tapped && heldTurn && (
        <TurnChange
          key={held.join(' ')}
          title={`Bed ${names.get(asked.beds[held[1]]!.id)}, ${first + held[0]}`}
          turn={heldTurn}
          put={(place, cropId) => put(held[0], held[1], place, cropId)}
          rest={() => rest(held[0], held[1])}
          done={letGo}
        />
      )}
    </>
  );
}

/** What a bed brings in a year: each crop under the cover before it. They are dragged as one. */
function YearOfBed({
  at: [y, b],
  bed,
  turn,
  fixed,
  covers: { cells, crops, leftOut },
  families,
  year,
  wrong,
  drag: { held, tapOn, over, crop, cover },
}: {
  at: readonly [year: number, bed: number];
  bed: { id: string; name: string };
  turn: Turn;
  fixed: boolean;
  covers: PlanCovers;
  families: readonly string[];
  year: number;
  /** Crops that bend a rule there. */
  wrong: readonly string[];
  drag: ReturnType<typeof usePlanDrag>;
}) {
  const on = held?.[0] === y && held[1] === b;
  const laid = crops.filter((c) => c.bedId === bed.id && c.year === y);
  const out = leftOut.filter((c) => c.bedId === bed.id && c.year === y).map((c) => c.cropId);
  const gap = (place: number) => {
    const key = cellKey(bed.id, y, place);
    return (
      <CoverCell
        cell={cells.get(key)}
        bed={bed.name}
        year={year}
        drag={{ ...cover(key), 'data-gap': key, 'data-over': over === key ? '' : undefined }}
      />
    );
  };
  const inkFor = (id: string | undefined) => ({
    borderColor: inkOf(families, (id && findCrop(id)?.family) || ''),
  });
  const look = (id: string | undefined) =>
    `block w-36 truncate border-l-8 px-2 py-1.5 text-left lg:w-40 ${on ? 'bg-warp' : 'bg-paper'} ${id && wrong.includes(id) ? 'outline-madder outline-2' : ''}`;
  // A crop that stands already, or has no time left in its year, has no place of its own among those that go in.
  let place = 0;
  const shown = (turn.length > 0 ? turn : [undefined]).map((id) => {
    const goesIn = id !== undefined && laid[place]?.cropId === id;
    return { id, place: goesIn ? place++ : undefined, late: id !== undefined && out.includes(id) };
  });
  return shown.map(({ id, place, late }, i) => (
    <div key={i}>
      {place !== undefined && gap(place)}
      {fixed ? (
        <span className={look(id)} style={inkFor(id)} title="Planned already, or stands there">
          {turnWords(id === undefined ? [] : [id])}
          <span className="sr-only">, planned already</span>
        </span>
      ) : (
        <button
          type="button"
          {...crop(y, b)}
          // By the keyboard, which makes no drag of it.
          onClick={(e) => e.detail === 0 && tapOn([y, b])}
          data-cell={`${y} ${b}`}
          aria-pressed={on}
          aria-label={`${turnWords(id === undefined ? [] : [id])}, bed ${bed.name}, ${year}${late ? ', no time left' : ''}${id && wrong.includes(id) ? ', a rule is bent' : ''}`}
          className={`${look(id)} touch-none ${late ? 'text-bark line-through' : ''}`}
          style={inkFor(id)}
        >
          {turnWords(id === undefined ? [] : [id])}
        </button>
      )}
    </div>
  ));
}
