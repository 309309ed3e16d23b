import { isoOf } from '../../core/calendar/day.ts';
import { changeCover, changePlanting, movePlanting } from '../../records/commands/change.ts';
import { type PointerEvent as ReactPointerEvent, useMemo, useState } from 'react';
import { type Day, dayOf } from '../../core/calendar/day.ts';
import { type ForecastInput } from '../../core/plan/standing.ts';
import type { Bed } from '../../records/types.ts';
import { forecastInput } from '../../questions/cover.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useLive } from '../../ring/useLive.ts';
import { showDay } from '../../ui/dates.ts';
import { type Edge, coverMoved, edgesOf } from './edges.ts';

/** Years behind the answer while an edge is in the hand. */
const LIVE_YEARS = 60;

interface Props {
  bed: Bed;
  x: number;
  width: number;
  from: Day;
  to: Day;
  y(day: Day): number;
  perDay: number;
  now: Day;
}

/** Handles on the planned edges of one strip: drag them, or focus one and use the arrow keys; Enter keeps, Escape lets go. */
export function EdgeHandles({ bed, x, width, from, to, y, perDay, now }: Props) {
  const { covers, plantings, hands, run } = useGarden();
  const edges = useMemo(() => edgesOf(bed.id, covers, plantings, now), [bed.id, covers, plantings, now]);
  const [held, setHeld] = useState<{ edge: Edge; day: Day; fromY: number } | null>(null);
  const clamp = (e: Edge, day: Day) => Math.max(e.least, Math.min(e.most, Math.round(day)));

  async function keep(edge: Edge, day: Day) {
    setHeld(null);
    if (day === edge.day) return;
    if ('cover' in edge)
      await run(
        changeCover(hands, edge.cover, 'move-edge', `${edge.words}, bed ${bed.name}`, (c) =>
          coverMoved(c, edge.kind, day),
        ),
      );
    else if (edge.kind === 'clear')
      await run(changePlanting(hands, edge.planting, 'move-edge', () => ({ clearOn: isoOf(day) })));
    else await run(movePlanting(hands, edge.planting, day - edge.day));
  }
  const grab = (edge: Edge) => (event: ReactPointerEvent<HTMLDivElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    setHeld({ edge, day: edge.day, fromY: event.clientY });
  };
  const keys = (edge: Edge) => (event: React.KeyboardEvent) => {
    const step = { ArrowDown: 1, ArrowUp: -1, PageDown: 7, PageUp: -7 }[event.key];
    const at = held?.edge.key === edge.key ? held.day : edge.day;
    if (step) {
      event.preventDefault();
      setHeld({ edge, day: clamp(edge, at + step), fromY: 0 });
    } else if (event.key === 'Enter' && held) void keep(edge, held.day);
    else if (event.key === 'Escape') setHeld(null);
  };
  const placed = useMemo(
    () =>
      placeHandles(
        edges.filter((e) => e.day > from && e.day < to),
        y,
      ),
    [edges, from, to, y],
  );
  return (
    <>
      {placed.map(({ edge, top, side }) => {
        const mine = held?.edge.key === edge.key;
        const day = mine ? held.day : edge.day;
        return (
          <div
            key={edge.key}
            role="slider"
            tabIndex={0}
            aria-orientation="vertical"
            aria-label={`${edge.words}, bed ${bed.name}`}
            aria-valuemin={edge.least}
            aria-valuemax={edge.most}
            aria-valuenow={day}
            aria-valuetext={showDay(day)}
            className="group absolute flex cursor-ns-resize touch-none items-center justify-center"
            style={{
              left: x - 3 + (side * (width + 6)) / 2,
              top: mine ? y(day) - HANDLE_PX / 2 : top,
              width: (width + 6) / 2,
              height: HANDLE_PX,
            }}
            onPointerDown={grab(edge)}
            onPointerMove={(event) => {
              if (mine && held.fromY)
                setHeld({ ...held, day: clamp(edge, edge.day + (event.clientY - held.fromY) / perDay) });
            }}
            onPointerUp={() => mine && held.fromY && void keep(edge, held.day)}
            onPointerCancel={() => setHeld(null)}
            onKeyDown={keys(edge)}
            onBlur={() => mine && setHeld(null)}
          >
            <span
              className={`block h-0.5 w-full ${mine ? 'bg-madder' : 'bg-walnut/0 group-hover:bg-walnut'}`}
            />
            <span
              className={`border-walnut absolute h-2 w-4 border ${mine ? 'bg-madder' : 'bg-paper'}`}
              aria-hidden="true"
            />
            {mine && <Bubble edge={edge} day={day} bed={bed} />}
          </div>
        );
      })}
    </>
  );
}

/** Big enough for a finger tip, and for the rule that targets be 24 px. */
const HANDLE_PX = 24;

/** Covers' edges on the left, crops' on the right, each far enough below the one before to be hit on its own. */
function placeHandles(edges: Edge[], y: (day: Day) => number) {
  const below = [-Infinity, -Infinity];
  return [...edges]
    .sort((a, b) => a.day - b.day)
    .map((edge) => {
      const side = 'cover' in edge ? 0 : 1;
      const top = Math.max(y(edge.day) - HANDLE_PX / 2, below[side]!);
      below[side] = top + HANDLE_PX;
      return { edge, top, side };
    });
}

/** What the core says of the edge where it is held. */
function Bubble({ edge, day, bed }: { edge: Edge; day: Day; bed: Bed }) {
  const { garden, plantings, covers, looks, today } = useGarden();
  const input = useMemo<ForecastInput | null>(() => {
    let cover = 'cover' in edge ? coverMoved(edge.cover, edge.kind, day) : undefined;
    let crops = plantings;
    if (edge.kind === 'plant') {
      const moved = { ...edge.planting, plantOn: isoOf(day) };
      crops = plantings.map((p) => (p.id === moved.id ? moved : p));
      cover = covers.find((c) => c.nextPlantingId === moved.id && c.verdict !== 'dead');
    }
    return cover ? forecastInput(garden, bed, cover, crops, looks, today, LIVE_YEARS) : null;
  }, [edge, day, bed, garden, plantings, covers, looks, today]);
  const answer = useLive('forecast', input);
  const shown = answer?.settled ?? answer?.best;
  return (
    <span
      role="status"
      className="border-walnut bg-paper pointer-events-none absolute bottom-4 left-0 z-20 w-52 border-2 p-2 text-left text-sm"
    >
      <b>
        {edge.words}: {showDay(day)}
      </b>
      {input && !shown && <span className="block">…</span>}
      {input && shown && (
        <span className="block">
          Out of the way in time in <b>{Math.round(shown.odds.inTime * 100)} of 100</b> years;{' '}
          {Number.isFinite(shown.ready.mid)
            ? `ready about ${showDay(shown.ready.mid)}`
            : 'in most years it is not dead by then'}
          {Number.isFinite(shown.ready.high) ? `, by ${showDay(shown.ready.high)} in nine of ten` : ''}.
        </span>
      )}
      {!input && edge.kind === 'clear' && (
        <span className="block">
          The bed is free from {showDay(day)};{' '}
          {dayOf(today) > day ? 'in the past' : `${day - dayOf(today)} days from now`}.
        </span>
      )}
      <span className="text-bark block text-xs">Let go or Enter to keep, Escape to leave as it was</span>
    </span>
  );
}
