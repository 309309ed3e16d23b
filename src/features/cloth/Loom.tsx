import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { clothOf } from '../../core/bed/cloth.ts';
import { isGrown, wholeBeds } from '../../core/bed/pieces.ts';
import { underCrops } from '../../core/bed/timeline.ts';
import { type Day, dayOf } from '../../core/calendar/day.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useForecasts } from '../../ring/useForecast.ts';
import { showDay } from '../../ui/dates.ts';
import { WeaveDefs } from '../../ui/Weave.tsx';
import { EdgeHandles } from './EdgeHandles.tsx';
import { Holes } from './Holes.tsx';
import { PREFIX, Strip } from './Strip.tsx';
import { Heads, Months, Now, PrintedNames } from './LoomHeads.tsx';
import { LEFT, HEAD_PX, TOP, ROOMY, type LoomProps } from './loomFrame.ts';

/** Years behind the density of a strip; it is a picture, the answer screens use more. */
const STRIP_YEARS = 16;

const PX_PER_DAY = 1.54;

/** A folded block shows its beds as slivers, and a cloth that is fitted has columns no narrower than this, px. */
const SLIVER = 16;

const LEAST_FITTED = 22;

/** A piece has room for them in less. */
const ROOMY_PIECE = 24;

/** Between the pieces of a bed, px. */
const SEAM_PX = 2;

const HOLES_AHEAD_D = 400;

const LEAST_COLUMN = 58;

const MOST_COLUMN = 120;

/** What is further than this from the window is not drawn; the window is looked at in steps of the same size. */
const STEP_PX = 600;

/** Today stands this far down the window of a long cloth. */
const TODAY_AT = 0.5;

interface Window {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** The part of a scrolled box that is seen, in coarse steps, so that scrolling redraws seldom. */
function useWindow() {
  const box = useRef<HTMLDivElement>(null);
  const [seen, setSeen] = useState<Window>({ left: 0, top: 0, width: 900, height: 700 });
  const look = useCallback(() => {
    const el = box.current;
    if (!el) return;
    const step = (px: number) => Math.floor(px / STEP_PX) * STEP_PX;
    const next = {
      left: step(el.scrollLeft),
      top: step(el.scrollTop),
      width: el.clientWidth,
      height: el.clientHeight,
    };
    setSeen((was) =>
      was.left === next.left && was.top === next.top && was.width === next.width && was.height === next.height
        ? was
        : next,
    );
  }, []);
  useLayoutEffect(() => {
    const el = box.current;
    if (!el) return;
    const observer = new ResizeObserver(look);
    observer.observe(el);
    el.addEventListener('scroll', look, { passive: true });
    return () => {
      observer.disconnect();
      el.removeEventListener('scroll', look);
    };
  }, [look]);
  return { box, seen };
}

/** The cloth: one strip a bed, time running downward. */
export function Loom({ from, to, whole, fitted, folded, fold, sought }: LoomProps) {
  const { beds: all, covers, plantings, today } = useGarden();
  const beds = useMemo(() => wholeBeds(all), [all]);
  const { box, seen } = useWindow();
  const open = beds.filter((b) => !folded.has(b.block)).length;
  const slivers = (beds.length - open) * SLIVER;
  const column = Math.max(
    fitted ? LEAST_FITTED : LEAST_COLUMN,
    Math.min(MOST_COLUMN, (seen.width - LEFT - 8 - slivers) / Math.max(1, open)),
  );
  const perDay = whole
    ? Math.min(PX_PER_DAY, Math.max(0.1, (seen.height - HEAD_PX) / (to - from)))
    : PX_PER_DAY;
  const height = (to - from) * perDay;
  const y = useCallback((day: Day) => TOP + (day - from) * perDay, [from, perDay]);
  const now = dayOf(today);
  const widths = beds.map((b) => (folded.has(b.block) ? SLIVER : column));
  const lefts = widths.map((_, i) => LEFT + widths.slice(0, i).reduce((a, b) => a + b, 0));
  const total = LEFT + widths.reduce((a, b) => a + b, 0);
  const soughtLeft = lefts[beds.findIndex((b) => b.id === sought)];
  useEffect(() => {
    if (soughtLeft !== undefined) box.current?.scrollTo({ left: soughtLeft - LEFT - 40 });
  }, [box, soughtLeft]);
  useLayoutEffect(() => {
    const el = box.current;
    if (el && height > el.clientHeight) el.scrollTop = y(now) - el.clientHeight * TODAY_AT;
  }, [box, height, now, y]);

  const inView = (x: number, w: number) =>
    x + w >= seen.left - STEP_PX && x <= seen.left + seen.width + 2 * STEP_PX;
  const firstDay = from + (seen.top - STEP_PX) / perDay;
  const lastDay = from + (seen.top + seen.height + 2 * STEP_PX) / perDay;
  const columns = beds
    .map((bed, i) => {
      const gap = widths[i]! < ROOMY ? 2 : 10;
      return { bed, x: lefts[i]! + gap / 2, width: widths[i]! - gap };
    })
    .filter((h) => inView(h.x, h.width));
  const cloth = useMemo(() => clothOf(all, plantings, covers, from, to), [all, plantings, covers, from, to]);
  /** Every part of the cloth that is in the window: whole beds, and pieces beside each other in the strip of their bed. */
  const hung = columns.flatMap((column) =>
    cloth
      .filter((c) => c.strip.id === column.bed.id)
      .map((cell) => {
        const seam = cell.width < 1 ? SEAM_PX : 0;
        return {
          cell,
          bed: cell.bed,
          x: column.x + cell.left * column.width,
          width: Math.max(1, cell.width * column.width - (cell.left + cell.width < 0.999 ? seam : 0)),
        };
      }),
  );
  const shownIds = [...new Set(hung.map((h) => h.bed.id))].join();
  // A hole may end beyond what is shown; what fits in it depends on where it really ends.
  const ahead = useMemo(
    () => clothOf(all, plantings, covers, now, now + HOLES_AHEAD_D),
    [all, plantings, covers, now],
  );
  const under = useMemo(
    () => new Map(all.map((b) => [b.id, underCrops(b.id, plantings, covers)])),
    [all, plantings, covers],
  );
  const living = useMemo(
    () => covers.filter((c) => c.verdict !== 'dead' && shownIds.split(',').includes(c.bedId)),
    [covers, shownIds],
  );
  const forecasts = useForecasts(living, STRIP_YEARS);
  return (
    <div
      ref={box}
      className="loom-box relative max-h-[calc(100vh-64px)] min-h-96 w-full overflow-auto"
      tabIndex={0}
      role="region"
      aria-label="All beds, time running downward"
    >
      <Heads beds={beds} widths={widths} total={total} folded={folded} fold={fold} sought={sought} />
      <div className="relative" style={{ width: total, height: TOP + height + 8 }}>
        <svg
          width={total}
          height={TOP + height + 8}
          viewBox={`0 0 ${total} ${TOP + height + 8}`}
          className="loom"
          role="img"
          aria-label={`Cloth of ${beds.length} beds from ${showDay(from)} to ${showDay(to)}; each bed's page tells it in words`}
        >
          <WeaveDefs prefix={PREFIX} />
          <Months from={from} to={to} now={now} y={y} perDay={perDay} total={total} />
          {hung.map(({ cell, bed, x, width }) => (
            <Strip
              key={`${bed.id} ${cell.from} ${cell.left}`}
              under={under.get(bed.id)!.filter((s) => s.to > firstDay && s.from < lastDay)}
              segments={cell.segments.filter((s) => s.to > firstDay && s.from < lastDay)}
              name={bed.piece && bed.name}
              use={bed.piece?.use}
              life={bed.life}
              x={x}
              width={width}
              from={cell.from}
              to={cell.to}
              y={y}
              now={now}
              forecasts={forecasts}
            />
          ))}
          <PrintedNames columns={columns} />
          <Now day={now} y={y(now)} total={total} />
        </svg>
        {hung
          .filter((h) => h.width >= (h.bed.piece ? ROOMY_PIECE : ROOMY) && isGrown(h.bed) && h.cell.to > now)
          .map(({ cell, bed, x, width }) => (
            <div key={`${bed.id} ${cell.from} ${cell.left}`} className="no-print">
              <Holes
                bed={bed}
                segments={ahead
                  .filter((a) => a.bed.id === bed.id && a.from < cell.to && a.to > cell.from)
                  .flatMap((a) => a.segments)}
                x={x}
                width={width}
                y={y}
                to={to}
                end={now + HOLES_AHEAD_D}
              />
              <EdgeHandles
                bed={bed}
                x={x}
                width={width}
                from={cell.from}
                to={cell.to}
                y={y}
                perDay={perDay}
                now={now}
              />
            </div>
          ))}
      </div>
    </div>
  );
}
