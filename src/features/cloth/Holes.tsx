import { Link } from 'react-router';
import { type Segment } from '../../core/bed/timeline.ts';
import { type Day, isoOf } from '../../core/calendar/day.ts';
import type { Bed } from '../../records/types.ts';
import { showDay } from '../../ui/dates.ts';

/** Shorter than this nothing closes the ground. */
export const LEAST_HOLE_D = 28;
const ROOM_FOR_WORDS_PX = 34;
/** In less the words run along the strip, and want so much of its length. */
const NARROW_PX = 44;
const ALONG_PX = 70;

/** Offers in the unwoven stretches still to come: what fits in so many days. */
export function Holes({
  bed,
  segments,
  x,
  width,
  y,
  to,
  end,
}: {
  bed: Bed;
  segments: Segment[];
  x: number;
  width: number;
  y(day: Day): number;
  /** Last day shown, and last day looked at. */
  to: Day;
  end: Day;
}) {
  return (
    <>
      {segments
        .filter((s) => s.kind === 'bare')
        .map((s) => ({ from: s.from, to: s.to, open: s.to >= end, shownTo: Math.min(s.to, to) }))
        .filter(
          (h) =>
            h.to - h.from >= LEAST_HOLE_D &&
            y(h.shownTo) - y(h.from) >= (width < NARROW_PX ? ALONG_PX : ROOM_FOR_WORDS_PX),
        )
        .map((h) => (
          <Link
            key={h.from}
            to={`/bed/${bed.id}/choose?from=${isoOf(h.from)}`}
            aria-label={
              h.open
                ? `Bed ${bed.name}: what fits from ${showDay(h.from)} on`
                : `Bed ${bed.name}: what fits in ${h.to - h.from} days from ${showDay(h.from)}`
            }
            className="hover:bg-paper focus-visible:bg-paper absolute flex items-center justify-center text-center text-xs leading-tight"
            style={{ left: x, top: y(h.from) + 2, width, height: y(h.shownTo) - y(h.from) - 4 }}
          >
            <span
              className="bg-wool py-0.5 font-semibold whitespace-nowrap underline decoration-1 underline-offset-2"
              style={width < NARROW_PX ? { writingMode: 'vertical-rl' } : undefined}
            >
              {h.open ? (
                'open'
              ) : width < NARROW_PX ? (
                `${h.to - h.from} d free`
              ) : (
                <>
                  what fits
                  <br />
                  in {h.to - h.from} d
                </>
              )}
            </span>
          </Link>
        ))}
    </>
  );
}
