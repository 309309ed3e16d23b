import { type Day, dayOf } from '../calendar/day.ts';

// Pieces of a bed: for a season or for years a bed is cut, and each piece is ground of its own with its own covers, crops and looks. A bed that was
// never cut knows nothing of it.

/** What a piece is for. Only a bed and a strip for seed are sown and planted. */
export const PIECE_USES = ['bed', 'path', 'film', 'kept', 'seed'] as const;
export type PieceUse = (typeof PIECE_USES)[number];

export interface Cut {
  /** The bed that it is a piece of. */
  of: string;
  /** From this day on it is ground of its own, until the day on which the bed is whole again; null while no such day is known. ISO dates. */
  from: string;
  until: string | null;
  /** Strips along the longer side, or pieces across it. */
  side: 'along' | 'across';
  /** Where it begins and ends, as shares of the side that was cut. */
  share: [number, number];
  use: PieceUse;
}

export interface Ground {
  id: string;
  piece?: Cut | undefined;
}

const startOf = (c: Cut): Day => dayOf(c.from);
const endOf = (c: Cut): Day => (c.until === null ? Infinity : dayOf(c.until));

/** Its share of the ground of its bed; 1 for a whole bed. */
export const shareOf = (bed: Ground): number => (bed.piece ? bed.piece.share[1] - bed.piece.share[0] : 1);

/** Whether something is sown or planted there at all. */
export const isGrown = (bed: Ground): boolean =>
  !bed.piece || bed.piece.use === 'bed' || bed.piece.use === 'seed';

/** Whether a bed is cut into pieces on a day. */
export const isCut = (id: string, beds: readonly Ground[], on: Day): boolean =>
  beds.some(({ piece }) => piece?.of === id && startOf(piece) <= on && on < endOf(piece));

/** The ground that is worked from a day on: whole beds that are not cut then, and pieces, but those that have become whole again. */
export const worked = <B extends Ground>(beds: readonly B[], on: Day): B[] =>
  beds.filter((b) => (b.piece ? on < endOf(b.piece) : !isCut(b.id, beds, on)));

/** Beds as they lie, each once, whether they are cut or not. */
export const wholeBeds = <B extends Ground>(beds: readonly B[]): B[] => beds.filter((b) => !b.piece);

/** Whether a piece lay, before another was cut, on some of the same ground; cut another way, pieces cross. */
const layUnder = (before: Cut, piece: Cut): boolean =>
  before.of === piece.of &&
  endOf(before) <= startOf(piece) &&
  (before.side !== piece.side || (before.share[0] < piece.share[1] && piece.share[0] < before.share[1]));

/**
 * The ids whose records tell of the same ground: of a piece its own, its bed's, and those of pieces that lay there when the bed was cut before; of a bed its own
 * and those of all its pieces, joined ones too.
 */
export function sameGround(id: string, beds: readonly Ground[]): ReadonlySet<string> {
  const ids = new Set([id]);
  const mine = beds.find((b) => b.id === id)?.piece;
  if (mine) ids.add(mine.of);
  for (const { id: other, piece } of beds)
    if (piece && (piece.of === id || (mine && layUnder(piece, mine)))) ids.add(other);
  return ids;
}

/** Whether a piece came of cutting another again. */
const isPartOf = (part: Cut, whole: Cut): boolean =>
  part.of === whole.of &&
  part.side === whole.side &&
  part.from === whole.until &&
  part.from > whole.from &&
  part.share[0] >= whole.share[0] - SHARE_SLACK &&
  part.share[1] <= whole.share[1] + SHARE_SLACK;
const SHARE_SLACK = 1e-6;

/** A part of the cloth: this ground, over these days, at this place in the width of its bed's strip. */
export interface Cell<B extends Ground> {
  bed: B;
  /** The whole bed in whose strip it hangs. */
  strip: B;
  from: Day;
  to: Day;
  /** 0..1 of the strip's width. */
  left: number;
  width: number;
}

/**
 * Answers: what hangs in the cloth between two days? Whole beds where they are not cut, and their pieces beside each other where they are; a piece whose record
 * began before the cut (a cover that stood when it was cut) hangs from that day on.
 * @param begins first day of the records of a ground; undefined where it has none
 */
export function cellsOf<B extends Ground>(
  beds: readonly B[],
  begins: (id: string) => Day | undefined,
  from: Day,
  to: Day,
): Cell<B>[] {
  return wholeBeds(beds).flatMap((strip) => {
    const pieces = beds.filter((b) => b.piece?.of === strip.id);
    /** What a piece was cut into when it was cut again. */
    const cutInto = ({ piece: cut }: B): B[] => pieces.filter((p) => isPartOf(p.piece!, cut!));
    const begun = (p: B): Day => Math.min(begins(p.id) ?? Infinity, ...cutInto(p).map(begun));
    /** Pieces of one cut hang from the same day on. */
    const hangsFrom = (cut: Cut): Day =>
      Math.min(startOf(cut), ...pieces.filter((p) => p.piece!.from === cut.from).map(begun));
    const cells: Cell<B>[] = pieces.flatMap((bed) => {
      const cut = bed.piece!;
      const at = { strip, left: cut.share[0], width: shareOf(bed) };
      const hangs = Math.max(from, hangsFrom(cut));
      const own = isGrown(bed) ? hangs : Math.max(from, startOf(cut));
      // Cut again, it hangs until its own pieces do.
      const ends = Math.min(to, endOf(cut), ...cutInto(bed).map((p) => hangsFrom(p.piece!)));
      const all: Cell<B>[] = [{ ...at, bed, from: own, to: ends }];
      // What became a path had on it, before, what the pieces beside it went on with.
      const sown = pieces.find((p) => p.piece!.from === cut.from && isGrown(p));
      const beside = sown && (cutInto(sown).find(isGrown) ?? sown);
      if (own > hangs && beside) all.push({ ...at, bed: beside, from: hangs, to: Math.min(to, own) });
      return all;
    });
    let at = from;
    for (const [a, b] of cells.map((c) => [c.from, c.to] as const).sort((x, y) => x[0] - y[0])) {
      if (a > at) cells.push({ bed: strip, strip, from: at, to: Math.min(a, to), left: 0, width: 1 });
      at = Math.max(at, b);
    }
    if (at < to) cells.push({ bed: strip, strip, from: at, to, left: 0, width: 1 });
    return cells.filter((c) => c.to > c.from).sort((a, b) => a.from - b.from || a.left - b.left);
  });
}

/** Whether the records of a bed tell of this ground: of a piece also those of its bed. */
export const tellsOf = (bed: Ground, bedId: string): boolean => bedId === bed.id || bedId === bed.piece?.of;

/** Records as this ground knows them: its own, and those of the bed it is a piece of or of its pieces, each as if it had been written for it. */
export function asOn<R extends { bedId: string }>(
  id: string,
  beds: readonly Ground[],
  records: readonly R[],
): R[] {
  const ids = sameGround(id, beds);
  return records.flatMap((r) => (r.bedId === id ? [r] : ids.has(r.bedId) ? [{ ...r, bedId: id }] : []));
}
