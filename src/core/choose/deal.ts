import { type AimStrands } from '../aims/aims.ts';
import { nextLooks } from './rounds.ts';
import { type Hint, type Sample } from './sample.ts';

/**
 * What is to be looked at again in a gap, dealt out one by one to many hands. None waits for a round to end: what others are looking at is taken to come
 * out as it stands, and a hand rests only while nothing more can be told without them.
 */
export class Deal {
  readonly found = new Map<string, Sample>();
  /** Looks dealt out or next in turn, and those of them that were heard of. */
  total = 0;
  done = 0;
  private readonly inHand = new Map<string, number>();
  private left: Hint[] = [];
  private resting: (() => void)[] = [];

  constructor(
    private readonly aims: AimStrands[],
    private readonly years: number,
  ) {}

  hear(sample: Sample): void {
    this.found.set(sample.id, sample);
    if (this.inHand.has(sample.id)) this.done++;
  }

  /** One hand: takes look after look until nothing is left, or until it is not to go on. What a look finds is told by `hear`. */
  async work(look: (hint: Hint) => Promise<void>, goesOn: () => boolean = () => true): Promise<void> {
    while (goesOn()) {
      const hint = this.next();
      if (hint) {
        this.inHand.set(hint.id, hint.years ?? this.years);
        await look(hint);
        this.inHand.delete(hint.id);
        this.resting.splice(0).forEach((rise) => rise());
      } else if (this.inHand.size > 0) await new Promise<void>((rise) => this.resting.push(rise));
      else return;
    }
    this.resting.splice(0).forEach((rise) => rise());
  }

  private next(): Hint | undefined {
    if (this.left.length === 0) {
      this.left = nextLooks([...this.found.values()], this.aims, this.years, this.inHand);
      this.total += this.left.length;
    }
    return this.left.shift();
  }
}
