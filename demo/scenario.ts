import { type StripLife } from '../src/core/strips/life.ts';
import { type MovedKind } from '../src/core/years/ledger.ts';
import { type SoilTestKind } from '../src/core/years/soilTests.ts';
import { type CutWish } from '../src/records/commands/pieces.ts';
import type { Person, Thing } from '../src/records/things.ts';
import type { Trial } from '../src/records/types.ts';

// Two invented gardens: what was planted where, what was sown between, and what went another way than planned. All else is worked out by `make.ts`.

/** A crop on a bed: its kind, how it goes in, planting and clearing day; the last word tells what is still only planned by the garden's today. */
export type CropRow = [crop: string, way: 'transplant' | 'seed', plantOn: string, clearOn: string];

/** A cover between two crops of a bed. */
export interface CoverRow {
  bed: string;
  /** Day on which the ground was free for it, and the planting it makes room for. */
  free: string;
  next: string | null;
  /** Kind or mix of the catalogue; the first that Kilim hangs when absent. */
  cover?: string;
  sowOn?: string;
  /** Way of ending, where the gardener had a mind of their own. */
  method?: string;
  /** Day of the first pass, where it is not the one put forward. */
  endOn?: string;
  /** A frame of it was cut and weighed before it was ended. */
  weighed?: boolean;
  /** Lives on under the blade before its ending: days on which it was mown high. */
  mownHigh?: string[];
  /** Ended too early, counted green, and ended again another way. */
  wentWrong?: { cutOn: string; seenOn: string; green: number; of: number; method: string; onceMore: string };
  note?: string;
}

/** What the gardener wrote down beside crops and covers. */
export interface WrittenDown {
  notes: [bed: string, on: string, text: string][];
  /** Carried onto a bed or off it, kg as weighed. */
  moved: [bed: string, on: string, what: MovedKind, kg: number][];
  tested: [bed: string, on: string, what: SoilTestKind, value: number][];
  /** `values` by block and treatment; none while it is still to be measured. */
  trials: (Pick<
    Trial,
    'question' | 'treatments' | 'measure' | 'unit' | 'lookOn' | 'counts' | 'ends' | 'drawnOn'
  > & { bed: string; blocks: number; seed: number; values: number[][] })[];
}

/** What lives for years on a piece, and what was done to it. */
export interface LastingSaid {
  piece: string;
  life: Omit<StripLife, 'done'>;
  done: StripLife['done'];
}

/** A bed cut into pieces. */
export interface BedCut extends Omit<CutWish, 'today'> {
  bed: string;
  lasting: LastingSaid[];
}

export interface Scenario extends WrittenDown {
  name: 'north-shore' | 'two-gums';
  today: string;
  /** Measured days begin here. */
  weatherFrom: string;
  /** Which plausible year came true. */
  seed: number;
  kit: string[];
  /** What there is few of, and who gardens. */
  things: Thing[];
  people: Person[];
  crops: Record<string, CropRow[]>;
  covers: CoverRow[];
  cuts: BedCut[];
}
