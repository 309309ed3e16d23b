import { STRIP_DEEDS, type StripDeed, type StripLife, type StripPass } from '../../core/strips/life.ts';
import { fail, ok } from '../../core/result/result.ts';
import { type Bed } from '../types.ts';
import { type Done, type Hands, meta } from '../verbs/verbs.ts';
import { writeFrom } from '../write.ts';

// Strips that live for years: what they are, what is done to them, and how they become a bed again.

type Named = Pick<Bed, 'id' | 'gardenId' | 'name'>;

/** As undo tells of them. */
const DEED_WORDS: Record<StripDeed, string> = {
  mow: 'mowing',
  trim: 'trimming',
  straw: 'straw on',
  mend: 'mending',
};

export const isDeed = (kind: string): kind is StripDeed => STRIP_DEEDS.some((d) => d === kind);

/** The piece with one more deed, in the order of days; a deed of the same kind and day is the same deed. */
export function withDeed(piece: Bed, deed: StripPass): Bed {
  const others = piece.life!.done.filter((d) => d.kind !== deed.kind || d.on !== deed.on);
  const done = [...others, deed].sort((a, b) => a.on.localeCompare(b.on));
  return { ...piece, life: { ...piece.life!, done } };
}

const onStrip = (hands: Hands, of: Named, verb: string, label: string, put: (stands: Bed) => Bed): Done =>
  writeFrom(hands.db, meta(hands, of.gardenId, verb, `${label} ${of.name}`), async () => {
    const stands = await hands.db.beds.get(of.id);
    return stands?.piece ? ok([{ table: 'beds', put: put(stands) }]) : fail('bed-gone');
  });

/** Says what a strip is, since when and for how long; what was done to it stays. Fails with `bed-gone`. */
export const setStrip = (hands: Hands, of: Named, life: Omit<StripLife, 'done'>): Done =>
  onStrip(hands, of, 'set-strip', 'strip', (stands) => ({
    ...stands,
    life: { ...life, done: stands.life?.done ?? [] },
  }));

/** Logs what was done to a strip. Fails with `bed-gone`. */
export const logStrip = (hands: Hands, of: Named, deed: StripPass): Done =>
  onStrip(hands, of, 'log-strip', DEED_WORDS[deed.kind], (stands) =>
    stands.life ? withDeed(stands, deed) : stands,
  );

/** Takes a deed away that was logged. Fails with `bed-gone`. */
export const unlogStrip = (hands: Hands, of: Named, { kind, on }: StripPass): Done =>
  onStrip(hands, of, 'unlog-strip', DEED_WORDS[kind], (stands) =>
    stands.life
      ? {
          ...stands,
          life: { ...stands.life, done: stands.life.done.filter((d) => d.kind !== kind || d.on !== on) },
        }
      : stands,
  );

/**
 * Ends a strip: film is lifted, a path or a plant taken out, and from that day on the same ground is sown and planted. What it was stays in its record.
 * Fails with `bed-gone`, or `piece-ends` for a day before it began.
 */
export const endStrip = (hands: Hands, of: Named, on: string): Done =>
  writeFrom(hands.db, meta(hands, of.gardenId, 'end-strip', `ending strip ${of.name}`), async () => {
    const stands = await hands.db.beds.get(of.id);
    const piece = stands?.piece;
    if (!stands || !piece) return fail('bed-gone');
    if (on <= piece.from || (piece.until !== null && on >= piece.until))
      return fail('piece-ends', stands.name);
    const ground = { ...stands };
    delete ground.life;
    const beds = await hands.db.beds.where({ gardenId: of.gardenId }).toArray();
    return ok([
      { table: 'beds', put: { ...stands, piece: { ...piece, until: on } } },
      {
        table: 'beds',
        put: {
          ...ground,
          id: hands.newId(),
          name: freeName(stands.name, beds),
          note: '',
          piece: { ...piece, from: on, use: 'bed' },
        },
      },
    ]);
  });

/** The name with the next number that no bed has. */
function freeName(name: string, beds: readonly Bed[]): string {
  const taken = new Set(beds.map((b) => b.name));
  for (let k = 2; ; k++) if (!taken.has(`${name}${k}`)) return `${name}${k}`;
}
