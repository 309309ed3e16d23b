import { Printer } from 'lucide-react';
import { dayOf } from '../../core/calendar/day.ts';
import { moveList, type PenPlan } from '../../core/work/pen.ts';
import { showDay } from '../../ui/dates.ts';

/** Spots of a round with their days, for whoever moves the pen while the gardener is away; printed on a sheet of its own. */
export function MoveList({ pen, hens, due, bed }: { pen: PenPlan; hens: number; due: string; bed: string }) {
  const from = dayOf(due);
  return (
    <details className="mt-1">
      <summary className="cursor-pointer font-semibold">List of moves for someone else</summary>
      <div className="print-alone">
        <h4 className="font-display font-bold">
          Hens on bed {bed}: {pen.spots} spots, {hens} hens
        </h4>
        <ol>
          {moveList(pen).map((m) => (
            <li key={m.spot} className="border-linen border-t py-0.5">
              <span className="mr-2 inline-block h-3 w-3 border" aria-hidden="true" />
              Spot {m.spot}, from {showDay(from + m.day)}
              {m.days > 1 && `, ${m.days} days`}
            </li>
          ))}
        </ol>
        <p>
          Every day: water, feed, shade, count them. Look behind the ramp before the pen moves. Over 32 °C
          they come out from under the roof and into shade.
        </p>
      </div>
      <button type="button" className="btn btn-sm" onClick={() => window.print()}>
        <Printer size={16} strokeWidth={1.5} /> Print the list
      </button>
    </details>
  );
}
