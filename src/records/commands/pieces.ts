import { coverTitle, findCrop, methods } from '../../catalogue/catalogue.ts';
import { coverDays, endingBegun, plantingDays } from '../../core/bed/timeline.ts';
import { type Cut, type PieceUse, shareOf } from '../../core/bed/pieces.ts';
import { type Day, dayOf, isoOf } from '../../core/calendar/day.ts';
import { cutShape, middleOf, shareAt } from '../../core/ground/cut.ts';
import { fail, ok, type Result } from '../../core/result/result.ts';
import { type Bed, type Cover, type Look, type Planting } from '../types.ts';
import { type Done, type Hands, meta } from '../verbs/verbs.ts';
import { type Wish, writeFrom } from '../write.ts';

// A bed is cut into pieces, and becomes whole again.

/** A piece that is wanted, by its share of the side that is cut. */
export interface Wanted {
  name: string;
  use: PieceUse;
  share: number;
}

const MOST_PIECES = 60;

/**
 * Alive on a day, or still to come after it. What stands today is taken to end on the day that is planned, and where that day has gone by without a word, to
 * stand still: a cut that is only planned takes nothing along that will be over by then.
 */
const coverLives = (c: Cover, on: Day, today: Day): boolean =>
  c.verdict !== 'dead' && (coverDays(c).to > on || (c.sownOn !== null && on <= today));
/** Alive, still to come, or lying as mulch. */
const coverLasts = (c: Cover, on: Day, today: Day): boolean =>
  coverLives(c, on, today) || coverDays(c).to > on;
const plantingLasts = (p: Planting, on: Day, today: Day): boolean =>
  plantingDays(p).to > on || (p.plantedOn !== null && p.clearedOn === null && on <= today);

/** How a bed is to be cut. */
export interface CutWish {
  on: string;
  /** The day that is lived: what stands on it stands. */
  today: string;
  side: Cut['side'];
  pieces: readonly Wanted[];
}

const isGrownAs = (use: PieceUse): boolean => use === 'bed' || use === 'seed';

/**
 * Cuts a bed into pieces from a day on, in one write. What stands on it then, lies there as mulch or is planned, is on every piece that is sown and planted: the
 * first keeps the record, the others get one like it, with the looks so far and their share of the seed. What was over stays with the bed. A piece that is
 * sown is cut again the same way as its bed was: its own pieces are pieces of that bed, and it is over from that day on.
 * Fails with `bed-gone`, `bed-cut` where it is cut already, `pieces-few`, or `bed-twice` for a name that another bed has.
 */
export const cutBed = (hands: Hands, of: Pick<Bed, 'id' | 'gardenId' | 'name'>, cut: CutWish): Done =>
  writeFrom(
    hands.db,
    meta(hands, of.gardenId, 'cut-bed', `cutting bed ${of.name} into ${cut.pieces.length}`),
    async () => {
      const made = await piecesCut(hands, of.id, cut);
      return made.ok ? ok(made.value.wishes) : made;
    },
  );

/** What cutting a bed comes to, and the pieces in the order of the bed. Fails as `cutBed` does. To be called inside the write that it is for. */
export async function piecesCut(
  hands: Hands,
  bedId: string,
  cut: CutWish,
): Promise<Result<{ wishes: Wish[]; pieces: Bed[] }>> {
  const { db, newId } = hands;
  const bed = await db.beds.get(bedId);
  if (!bed) return fail('bed-gone');
  const beds = await db.beds.where({ gardenId: bed.gardenId }).toArray();
  const refused = refusal(bed, beds, cut);
  if (refused) return refused;
  const whole = beds.find((b) => b.id === bed.piece?.of) ?? bed;
  const pieces = madeOf(bed, whole, cut, newId);
  const wishes: Wish[] = pieces.map((put) => ({ table: 'beds', put }));
  if (bed.piece) wishes.push({ table: 'beds', put: { ...bed, piece: { ...bed.piece, until: cut.on } } });
  const [on, today] = [dayOf(cut.on), dayOf(cut.today)];
  const [plantings, covers, looks] = await Promise.all([
    db.plantings.where({ bedId: bed.id }).toArray(),
    db.covers.where({ bedId: bed.id }).toArray(),
    db.looks.filter((l) => l.bedId === bed.id).toArray(),
  ]);
  const crops = plantings.filter((p) => plantingLasts(p, on, today));
  const stands = covers.filter((c) => coverLasts(c, on, today));
  // The first piece that takes a record keeps it as it is; the others get one like it.
  const kept = new Set<string>();
  const idOf = (id: string) => {
    if (kept.has(id)) return newId();
    kept.add(id);
    return id;
  };
  for (const piece of pieces.filter((p) => isGrownAs(p.piece!.use))) {
    // What is left to ripen takes no crop that is only planned.
    const here = crops.filter((p) => p.plantedOn !== null || piece.piece!.use === 'bed');
    const cropIds = new Map(here.map((p) => [p.id, idOf(p.id)]));
    for (const p of here)
      wishes.push({ table: 'plantings', put: { ...p, id: cropIds.get(p.id)!, bedId: piece.id } });
    for (const c of stands) {
      const id = idOf(c.id);
      wishes.push({ table: 'covers', put: pieceOf(c, id, piece, shareOf(piece) / shareOf(bed), cropIds) });
      for (const l of looks.filter((x) => x.coverId === c.id))
        wishes.push({ table: 'looks', put: lookOn(l, idOf(l.id), piece.id, id) });
    }
  }
  return ok({ wishes, pieces });
}

function refusal(bed: Bed, beds: readonly Bed[], { on, side, pieces }: CutWish): Result<never> | undefined {
  const { piece } = bed;
  const again =
    piece && isGrownAs(piece.use) && piece.side === side && piece.from < on && (piece.until ?? '9999') > on;
  if (
    (piece && (!again || piece.until !== null)) ||
    beds.some((b) => b.piece?.of === bed.id && (b.piece.until ?? '9999') > on)
  )
    return fail('bed-cut', bed.name);
  const sound =
    pieces.length >= 2 &&
    pieces.length <= MOST_PIECES &&
    pieces.some((w) => isGrownAs(w.use)) &&
    pieces.every((w) => w.share > 0 && Number.isFinite(w.share));
  if (!sound) return fail('pieces-few', undefined, { most: MOST_PIECES });
  const names = pieces.map((w) => w.name.trim());
  const twice = names.find(
    (n, i) => n === '' || names.indexOf(n) !== i || beds.some((b) => b.name === n && b.id !== bed.id),
  );
  return twice === undefined ? undefined : fail('bed-twice', 'the garden', { name: twice });
}

/** The pieces themselves: ground as their bed's, in their part of its shape. */
function madeOf(bed: Bed, whole: Bed, { on, side, pieces: wanted }: CutWish, newId: () => string): Bed[] {
  const total = wanted.reduce((sum, w) => sum + w.share, 0);
  let begins = 0;
  const pieces = wanted.map((w, i): Bed => {
    const from = begins;
    begins = i === wanted.length - 1 ? 1 : from + w.share / total;
    const share: [number, number] = [from, begins];
    // Of a piece that is cut again: where that lies in its bed.
    const [a, b] = bed.piece?.share ?? [0, 1];
    const inBed = share.map((x) => a + x * (b - a)) as [number, number];
    return {
      ...bed,
      id: newId(),
      name: w.name.trim(),
      order: bed.order + (i + 1) / (bed.piece ? 10_000 : 100),
      ...cutShape(whole, side, inBed),
      place: null,
      obstacles: [],
      note: '',
      piece: { of: bed.piece?.of ?? bed.id, from: on, until: null, side, share: inBed, use: w.use },
    };
  });
  withObstacles(pieces, bed, whole, side);
  return pieces;
}

const lookOn = (l: Look, id: string, bedId: string, coverId: string): Look => ({ ...l, id, bedId, coverId });

/** A cover as it stands on one piece: its share of the seed, and the crop that follows there. @param share of the ground that is cut */
function pieceOf(c: Cover, id: string, piece: Bed, share: number, crops: ReadonlyMap<string, string>): Cover {
  return {
    ...c,
    id,
    bedId: piece.id,
    strips: null,
    walk: null,
    seed: c.seed.map((s) => ({ ...s, used_g: s.used_g === null ? null : s.used_g * share })),
    nextPlantingId: c.nextPlantingId === null ? null : (crops.get(c.nextPlantingId) ?? null),
    thingIds: id === c.id ? c.thingIds : [],
    ...(piece.piece!.use === 'seed' && c.verdict !== 'dead' && !endingBegun(c) ? ripening(c) : {}),
  };
}

/** From the day on which most covers are ended, at flower, to ripe seed (judgement; two weeks of it until the seed is hard). */
const RIPENS_LATER_D = 60;
/** Threshed and cleared so long after it was cut. */
const CLEARED_D = 14;

/** A cover that is left to ripen, where nobody has begun to end it: no crop follows it, trims that were made stay, and its end is the day on which its seed is looked at. */
function ripening(c: Cover): Partial<Cover> {
  const way = methods.find((m) => m.passes.some((p) => p.kind === 'check-seed'))!;
  const due = coverDays(c).endFrom + RIPENS_LATER_D;
  return {
    method: way.id,
    passes: [
      ...c.passes.filter((p) => p.doneOn),
      ...way.passes.map((p) => ({ kind: p.kind, due: isoOf(due), doneOn: null })),
    ],
    plantBackOn: isoOf(due + CLEARED_D),
    predicted: null,
    nextPlantingId: null,
  };
}

/** What is in the way of seed and was placed stands on the piece where it stands; of the rest nobody said where it is, and it goes with the largest. */
function withObstacles(pieces: Bed[], bed: Bed, whole: Bed, side: Cut['side']): void {
  const largest = pieces.reduce((a, b) => (b.area_m2 > a.area_m2 ? b : a));
  const middles = new Map(pieces.map((p) => [p, middleOf(whole, side, p.piece!.share)]));
  const [x, y] = bed.piece ? middleOf(whole, side, bed.piece.share) : [0, 0];
  for (const { spots = [], count, ...thing } of bed.obstacles) {
    const here = new Map<Bed, [number, number][]>();
    for (const [dx, dy] of spots) {
      const at: [number, number] = [x + dx, y + dy];
      const share = shareAt(whole, side, at);
      const piece = pieces.find((p) => share < p.piece!.share[1]) ?? pieces.at(-1)!;
      const [mx, my] = middles.get(piece)!;
      here.set(piece, [...(here.get(piece) ?? []), [at[0] - mx, at[1] - my]]);
    }
    for (const [piece, mine] of here) piece.obstacles.push({ ...thing, count: mine.length, spots: mine });
    const rest = count - spots.length;
    const placed = here.has(largest) ? largest.obstacles.at(-1) : undefined;
    if (rest > 0 && placed) placed.count += rest;
    else if (rest > 0) largest.obstacles.push({ ...thing, count: rest });
  }
}

/**
 * Makes a bed whole again from a day on. Pieces on which nothing ever was are taken away. Fails with `bed-gone`, or with `piece-in-use` where something
 * stands on a piece on that day or is planned there after it: no record is thrown away.
 */
export const joinBed = (
  hands: Hands,
  of: Pick<Bed, 'id' | 'gardenId' | 'name'>,
  on: string,
  today: string,
): Done =>
  writeFrom(hands.db, meta(hands, of.gardenId, 'join-bed', `making bed ${of.name} whole`), async () => {
    const { db } = hands;
    const beds = await db.beds.where({ gardenId: of.gardenId }).toArray();
    const pieces = beds
      .filter((b) => b.piece?.of === of.id && (b.piece.until ?? '9999') > on)
      .sort((a, b) => a.order - b.order);
    if (!beds.some((b) => b.id === of.id)) return fail('bed-gone');
    const wishes: Wish[] = [];
    for (const piece of pieces) {
      const [crops, covers, notes] = await Promise.all([
        db.plantings.where({ bedId: piece.id }).toArray(),
        db.covers.where({ bedId: piece.id }).toArray(),
        db.notes.where({ bedId: piece.id }).toArray(),
      ]);
      const crop = crops.find((p) => plantingLasts(p, dayOf(on), dayOf(today)));
      const cover = covers.find((c) => coverLives(c, dayOf(on), dayOf(today)));
      if (crop || cover)
        return fail('piece-in-use', piece.name, {
          what: cover ? coverTitle(cover) : (findCrop(crop!.cropId)?.name ?? crop!.cropId),
        });
      const never = crops.length + covers.length + notes.length === 0;
      wishes.push(
        never
          ? { table: 'beds', remove: piece.id }
          : { table: 'beds', put: { ...piece, piece: { ...piece.piece!, until: on } } },
      );
    }
    return ok(wishes);
  });

/** What becomes of the pieces of a bed that has got another shape or place. Those that were joined before today stay as they were. */
export async function piecesAfter({ db, now }: Hands, bed: Bed): Promise<Wish[]> {
  const all = await db.beds.where({ gardenId: bed.gardenId }).toArray();
  const today = (await db.gardens.get(bed.gardenId))?.seasonClock ?? now().slice(0, 10);
  return all
    .filter((b) => b.piece?.of === bed.id && (b.piece.until ?? today) >= today)
    .map((b): Wish => ({
      table: 'beds',
      put: { ...b, ...cutShape(bed, b.piece!.side, b.piece!.share) },
    }));
}
