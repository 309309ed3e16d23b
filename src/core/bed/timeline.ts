import { OPENS, TRIMS } from '../termination/method.ts';
import { type Day, dayOf } from '../calendar/day.ts';

/** A food or flower crop on a bed, as far as the strip needs it. Dates are ISO; a done date outranks a planned one. */
export interface PlantingSpan {
  id: string;
  bedId: string;
  cropId: string;
  plantOn: string;
  plantedOn: string | null;
  clearOn: string;
  clearedOn: string | null;
}

/** A cover on a bed. Passes are in order. */
export interface CoverSpan {
  id: string;
  bedId: string;
  sowOn: string;
  sownOn: string | null;
  method: string;
  passes: { kind: string; due: string; doneOn: string | null }[];
  endedOn: string | null;
  /** Day the bed is planned to be planted again. */
  plantBackOn: string | null;
}

export type SegmentKind = 'crop' | 'cover' | 'residue' | 'sheet' | 'bare';

/** A stretch of a bed's strip: from is its first day, to the day after its last. */
export interface Segment {
  kind: SegmentKind;
  from: Day;
  to: Day;
  /** The planting or cover it belongs to; none for bare ground. */
  refId: string | null;
  /** True where the start is only planned. */
  planned: boolean;
}

const done = (date: string | null, plan: string): Day => dayOf(date ?? plan);

export function plantingDays(p: PlantingSpan): { from: Day; to: Day } {
  return { from: done(p.plantedOn, p.plantOn), to: done(p.clearedOn, p.clearOn) };
}

/** A stand that is trimmed, or gives hay or shoots, lives on: what begins its ending is the first pass that is more than that. */
export const endingPasses = (c: Pick<CoverSpan, 'passes'>): CoverSpan['passes'] =>
  c.passes.filter((p) => !TRIMS.has(p.kind));

/** Whether anything was done to end it. */
export const endingBegun = (c: Pick<CoverSpan, 'passes'>): boolean => endingPasses(c).some((p) => p.doneOn);

/** Days on which a cover is sown, its ending begins, and the next crop goes in. */
export function coverDays(c: CoverSpan): { from: Day; endFrom: Day; to: Day } {
  const from = done(c.sownOn, c.sowOn);
  const passes = endingPasses(c);
  const first = passes[0];
  const endFrom = first
    ? done(first.doneOn, first.due)
    : c.endedOn
      ? dayOf(c.endedOn)
      : c.plantBackOn
        ? dayOf(c.plantBackOn)
        : from + 120;
  const last = passes.at(-1);
  const lastDay = last ? done(last.doneOn, last.due) : endFrom;
  return {
    from,
    endFrom: Math.max(from, endFrom),
    to: Math.max(lastDay, c.plantBackOn ? dayOf(c.plantBackOn) : lastDay + 14),
  };
}

/**
 * The strip of one bed between two days, without holes in the data: what nothing grows on is bare.
 * Crops outrank covers where records overlap, since undersown covers grow on below them and show when the crop leaves.
 */
export function stripOf(
  bedId: string,
  plantings: PlantingSpan[],
  covers: CoverSpan[],
  from: Day,
  to: Day,
): Segment[] {
  const spans: Segment[] = [];
  for (const c of covers) {
    if (c.bedId !== bedId) continue;
    const d = coverDays(c);
    const planned = c.sownOn === null;
    spans.push({ kind: 'cover', from: d.from, to: d.endFrom, refId: c.id, planned });
    const sheet = c.passes.find((p) => p.kind === 'lay-sheet' || p.kind === 'lay-film');
    const lift = c.passes.find((p) => p.kind === 'lift-sheet');
    const sheetFrom = sheet ? done(sheet.doneOn, sheet.due) : d.to;
    const sheetTo = lift ? done(lift.doneOn, lift.due) : sheetFrom;
    const endPlanned = !endingPasses(c)[0]?.doneOn;
    const opened = c.passes.find((p) => OPENS.has(p.kind));
    const liesUntil = opened ? Math.min(d.to, done(opened.doneOn, opened.due)) : d.to;
    spans.push({
      kind: 'residue',
      from: d.endFrom,
      to: Math.min(sheetFrom, liesUntil),
      refId: c.id,
      planned: endPlanned,
    });
    spans.push({
      kind: 'sheet',
      from: sheetFrom,
      to: sheetTo,
      refId: c.id,
      planned: sheet ? !sheet.doneOn : endPlanned,
    });
    spans.push({
      kind: 'residue',
      from: Math.max(sheetTo, d.endFrom),
      to: liesUntil,
      refId: c.id,
      planned: endPlanned,
    });
  }
  for (const p of plantings) {
    if (p.bedId !== bedId) continue;
    const d = plantingDays(p);
    spans.push({ kind: 'crop', from: d.from, to: d.to, refId: p.id, planned: p.plantedOn === null });
  }
  const marks = [...new Set([from, to, ...spans.flatMap((s) => [s.from, s.to])])]
    .filter((d) => d >= from && d <= to)
    .sort((a, b) => a - b);
  const out: Segment[] = [];
  for (let i = 0; i + 1 < marks.length; i++) {
    const [a, b] = [marks[i]!, marks[i + 1]!];
    const over = spans.filter((s) => s.from <= a && s.to >= b && s.to > s.from);
    const top =
      over.find((s) => s.kind === 'crop') ??
      over.find((s) => s.kind === 'cover') ??
      over.find((s) => s.kind === 'sheet') ??
      over[0];
    const piece: Segment = top
      ? { ...top, from: a, to: b }
      : { kind: 'bare', from: a, to: b, refId: null, planned: false };
    const last = out.at(-1);
    if (last && last.kind === piece.kind && last.refId === piece.refId && last.planned === piece.planned)
      last.to = b;
    else out.push(piece);
  }
  return out;
}

/** Bed-days on which nothing grew or lay. */
export const bareDays = (strips: Segment[][]): number =>
  strips.flat().reduce((sum, s) => sum + (s.kind === 'bare' ? s.to - s.from : 0), 0);

/** Whether a stretch before today was planned and nobody said that it happened. */
export const isUnknown = (s: Segment, now: Day): boolean => s.planned && s.kind !== 'bare' && s.from < now;

/** Bed-days before today of which nobody logged what stood there. */
export const unknownDays = (strips: Segment[][], now: Day): number =>
  strips.flat().reduce((sum, s) => sum + (isUnknown(s, now) ? Math.min(s.to, now) - s.from : 0), 0);

/** Stretches of a bed's covers that grow under a standing crop: undersown, hidden in the strip by what stands above. */
export function underCrops(bedId: string, plantings: PlantingSpan[], covers: CoverSpan[]): Segment[] {
  const crops = plantings.filter((p) => p.bedId === bedId).map(plantingDays);
  return covers
    .filter((c) => c.bedId === bedId)
    .flatMap((c) => {
      const { from, endFrom } = coverDays(c);
      return crops
        .map((crop) => ({ from: Math.max(from, crop.from), to: Math.min(endFrom, crop.to) }))
        .filter((s) => s.to > s.from)
        .map((s): Segment => ({ kind: 'cover', ...s, refId: c.id, planned: c.sownOn === null }));
    });
}
