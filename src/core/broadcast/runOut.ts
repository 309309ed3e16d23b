/** A bag that was empty too soon, or not empty at the end. Weights in g, shares 0..1 of the bed. */
export interface RunOut {
  /** Weight meant for the whole bed, all portions. */
  meant_g: number;
  portions: number;
  /** Portions thrown to their end before the one in hand. */
  done: number;
  /** Share of the bed that the portion in hand has covered when its bag is empty, or 1. */
  reached: number;
  /** Left in the bag at the end of the bed; 0 when it ran out. */
  left_g: number;
  /** More of the same seed on the shelf, g. */
  shelf_g: number;
}

export interface RunOutAdvice {
  /** For the strip that the bag did not reach, from the portions left or the shelf. */
  strip_g: number;
  /** For each of the portions left, over the whole bed. */
  each_g: number;
  /** What the whole bed will have come to against what was meant. */
  comesTo: number;
  /** To go back to the shelf. */
  back_g: number;
  say: 'strip-first' | 'spread-left-over' | 'take-from-shelf' | 'leave-and-mark' | 'nothing-to-do';
}

/** Under this share of what was meant a strip is better marked as thin than stretched. */
const WORTH_STRETCHING = 0.45;
/** A rest smaller than this share goes back: thrown twice over, a bed gets thicker than its rate. */
const SMALL_REST = 0.03;

/**
 * Answers: where to put what seed there is, so that the bed comes out even?
 * Balance: the strip first gets what the portion in hand gave the rest of the bed; what remains in the portions to come is shared over
 * the whole bed. With too little, everything is thinned alike, since half a rate everywhere makes a better stand than a bare end.
 * Worked figure: 300 g in three portions, the second bag empty at 0.75 of the bed: a strip of 25 g out of the third, 75 g for the rest,
 * the bed comes to the whole 300 g, the covered part a little heavy.
 */
export function runOutAdvice(r: RunOut): RunOutAdvice {
  const portion = r.meant_g / r.portions;
  const toCome = Math.max(0, r.portions - r.done - 1);
  if (r.reached >= 1) return leftOver(r, portion, toCome);
  // The empty bag held a whole portion on part of the bed: that part has portion/reached a bed of it.
  const stripShare = 1 - r.reached;
  const lack = portion * stripShare;
  const inBags = portion * toCome;
  if (inBags > 0) {
    const strip_g = Math.min(lack, inBags);
    return { strip_g, each_g: (inBags - strip_g) / toCome, comesTo: 1, back_g: 0, say: 'strip-first' };
  }
  const before = portion * r.done;
  if (r.shelf_g > 0) {
    const strip_g = Math.min(lack, r.shelf_g);
    return {
      strip_g,
      each_g: 0,
      comesTo: (before + portion + strip_g) / r.meant_g,
      back_g: 0,
      say: 'take-from-shelf',
    };
  }
  const stripHas = before / r.meant_g;
  return {
    strip_g: lack,
    each_g: 0,
    comesTo: 1,
    back_g: 0,
    say: stripHas >= WORTH_STRETCHING ? 'nothing-to-do' : 'leave-and-mark',
  };
}

function leftOver(r: RunOut, portion: number, toCome: number): RunOutAdvice {
  if (r.left_g <= portion * SMALL_REST)
    return { strip_g: 0, each_g: portion, comesTo: 1, back_g: r.left_g, say: 'nothing-to-do' };
  // A rest in a bag means thin throwing so far: it goes with what is to come, or once more over the bed.
  return {
    strip_g: 0,
    each_g: toCome > 0 ? portion + r.left_g / toCome : r.left_g,
    comesTo: 1,
    back_g: 0,
    say: 'spread-left-over',
  };
}
