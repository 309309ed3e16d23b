import { useMemo, useState } from 'react';
import { findSpecies } from '../../../catalogue/catalogue.ts';
import { wholeBeds, worked } from '../../../core/bed/pieces.ts';
import { type Segment, stripOf } from '../../../core/bed/timeline.ts';
import { dayOf } from '../../../core/calendar/day.ts';
import { cutShape } from '../../../core/ground/cut.ts';
import { layOut } from '../../../core/ground/layOut.ts';
import { footOf } from '../../../core/ground/shade.ts';
import { type Box, boxOf, cornersOf, type Lies, outlineOf, type Point } from '../../../core/ground/shape.ts';
import type { Bed, Cover, Mark } from '../../../records/types.ts';
import { changeMark, placeBeds, placeInBed } from '../../../records/commands/ground.ts';
import { useGarden } from '../../../ring/garden.tsx';
import { type Motif } from '../../../ui/motifs.ts';

/** What is woven on a bed today. */
export type Ground =
  | { bands: { motif: Motif; share: number }[] }
  | { plain: 'residue' | 'sheet' | 'crop' | 'warp' };

export interface PlacedBed {
  bed: Bed;
  at: Lies;
  outline: Point[];
  ground: Ground;
  /** Nobody has laid it out: it lies where there was room. */
  guessed: boolean;
  /** What it is cut into today: corners about the middle of the whole bed, before it is turned. */
  pieces: { bed: Bed; corners: Point[]; ground: Ground }[];
}

export type Chosen = { what: 'bed' | 'mark'; id: string } | null;

/** Round everything that lies on the plan, m. */
const MARGIN_M = 1.4;
const LEAST_M = 8;

/** What is woven on a bed on the day of a stretch of its strip. */
function groundOn(on: Segment | undefined, covers: readonly Cover[]): Ground {
  const cover = on?.kind === 'cover' ? covers.find((c) => c.id === on.refId) : undefined;
  return cover
    ? {
        bands: cover.parts.map((p) => ({
          motif: findSpecies(p.speciesId)?.role ?? 'broadleaf',
          share: p.share,
        })),
      }
    : { plain: on?.kind === 'crop' || on?.kind === 'residue' || on?.kind === 'sheet' ? on.kind : 'warp' };
}

/** Corners of a piece about the middle of its bed. */
function piecesCorners(bed: Bed, { side, share }: NonNullable<Bed['piece']>): Point[] {
  const shape = cutShape({ ...bed, at: { x_m: 0, y_m: 0, turn_deg: 0 } }, side, share);
  return cornersOf(shape).map(([x, y]) => [x + shape.at!.x_m, y + shape.at!.y_m]);
}

/** The plan of the garden: where beds lie, what is on them today, and the one that is chosen. */
export function usePlan() {
  const { garden, beds: all, plantings, covers, today, hands, run } = useGarden();
  const beds = useMemo(() => wholeBeds(all), [all]);
  const [chosen, setChosen] = useState<Chosen>(null);
  const now = dayOf(today);
  const places = useMemo(() => layOut(beds, garden.north_deg), [beds, garden.north_deg]);
  const placed = useMemo<PlacedBed[]>(
    () =>
      beds.map((bed) => {
        const at = places.get(bed.id)!;
        const on = (id: string) => groundOn(stripOf(id, plantings, covers, now, now + 1)[0], covers);
        const pieces = worked(all, now)
          .filter((p) => p.piece?.of === bed.id && dayOf(p.piece.from) <= now)
          .map((p) => ({ bed: p, corners: piecesCorners(bed, p.piece!), ground: on(p.id) }));
        return {
          bed,
          at,
          outline: outlineOf(bed, at),
          ground: on(bed.id),
          guessed: bed.at === null,
          pieces,
        };
      }),
    [all, beds, places, plantings, covers, now],
  );
  const bounds = useMemo<Box>(() => {
    const all = [...placed.flatMap((p) => p.outline), ...garden.marks.flatMap((m) => footOf(m))];
    if (all.length === 0) return { x: 0, y: 0, width: LEAST_M, height: LEAST_M };
    const box = boxOf(all);
    return {
      x: box.x - MARGIN_M,
      y: box.y - MARGIN_M,
      width: Math.max(LEAST_M, box.width + 2 * MARGIN_M),
      height: Math.max(LEAST_M / 2, box.height + 2 * MARGIN_M),
    };
  }, [placed, garden.marks]);

  const place = (
    bed: Bed,
    patch: Parameters<typeof placeBeds>[2][number]['patch'],
    label: string,
    joins = false,
  ) => void run(placeBeds(hands, garden.id, [{ id: bed.id, patch }], `bed ${bed.name} ${label}`, joins));
  const moveBed = (p: PlacedBed, to: Partial<Lies>, joins = false) =>
    place(p.bed, { at: { ...p.at, ...to } }, 'on the plan', joins);
  const placeThing = (bed: Bed, of: number, spots: Point[], joins = false) =>
    void run(placeInBed(hands, bed, of, spots, joins));
  const change = (m: Mark, patch: Partial<Mark>, joins = false) =>
    void run(changeMark(hands, garden.id, m.id, patch, `${m.name || m.kind} on the plan`, joins));
  return {
    garden,
    placed,
    bounds,
    chosen,
    setChosen,
    chosenBed: chosen?.what === 'bed' ? placed.find((p) => p.bed.id === chosen.id) : undefined,
    chosenMark: chosen?.what === 'mark' ? garden.marks.find((m) => m.id === chosen.id) : undefined,
    place,
    moveBed,
    placeThing,
    changeMark: change,
  };
}

export type Plan = ReturnType<typeof usePlan>;
