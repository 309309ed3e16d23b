import { portions } from './weight.ts';

/** A packet held against the ground it is to sow. */
export interface PacketUse {
  /** What the ground takes, g. */
  need_g: number;
  /** What goes on it: all that is needed, or all there is. */
  sow_g: number;
  /** Equal throws of that, g. */
  throws_g: number[];
  /** Packets of this size that hold what is needed; undefined while nobody has said what the packet weighs. */
  packets: number | undefined;
  left_g: number;
  /**
   * `thin`: a little short, thrown over the whole bed all the same. `part`: so short that a part of the bed sown well is better.
   * `open`: nobody has said what is in the packet.
   */
  verdict: 'enough' | 'thin' | 'part' | 'open';
  /** Share of the ground that is sown, 0..1. */
  sown: number;
  /** Seed on the sown ground against what it takes, 0..1. */
  density: number;
}

/** Seed of one kind on the shelf against what some beds take of it, g as it lies in the jar. */
export interface ShelfUse {
  speciesId: string;
  need_g: number;
  has_g: number;
  /** To be bought on top, at the germination that fresh seed usually has; 0 where the shelf does. */
  buy_g: number;
}

/** What the seed that is here comes to on the ground it is for. */
export interface SeedHere {
  /** A bought mix that is poured as it is, by its smallest pack. */
  packet?: PacketUse;
  shelf: ShelfUse[];
}

/** A stand from this share of the rate still closes; below it weeds get in between, and a smaller piece sown well is worth more. */
const STILL_CLOSES = 0.7;

/**
 * Answers: does this packet do for this bed, and what if it does not?
 * @param need_g seed that the whole ground takes @param has_g what the packet holds, null where it is not printed
 * Worked figure: 9.6 m² at 5 g/m² takes 48 g; a packet of 25 g sows 52 % of it, two do for all.
 */
export function packetUse(need_g: number, has_g: number | null, throws: number): PacketUse {
  if (has_g === null)
    return {
      need_g,
      sow_g: need_g,
      throws_g: portions(need_g, throws),
      packets: undefined,
      left_g: 0,
      verdict: 'open',
      sown: 1,
      density: 1,
    };
  const packets = Math.max(1, Math.ceil(need_g / has_g - 1e-9));
  const covers = Math.min(1, has_g / need_g);
  const verdict = covers >= 1 ? 'enough' : covers >= STILL_CLOSES ? 'thin' : 'part';
  const sow_g = Math.min(need_g, has_g);
  return {
    need_g,
    sow_g,
    throws_g: portions(sow_g, throws),
    packets,
    left_g: Math.max(0, has_g - need_g),
    verdict,
    sown: verdict === 'part' ? covers : 1,
    density: verdict === 'thin' ? covers : 1,
  };
}
