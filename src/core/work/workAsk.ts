import { type Day } from '../calendar/day.ts';
import { type Pressing } from './board.ts';
import { type Standing, type ToolFit } from './cutting.ts';
import { type AnimalKind, type Harm } from './figures.ts';
import { type LoggedWork } from './ownMinutes.ts';
import { type PenPlan } from './pen.ts';
import { type Exposure, type Weights } from './sheets.ts';
import { type Board, type ClearFilm, type Flock, type HenPen, type Sheet, type Skill } from './things.ts';

/** A thing of the garden with its name. */
export type Named<T> = T & { id: string; name: string };

/** What the steps of an ending are worked out from. */
export interface WorkAsk {
  bed: {
    width_m: number;
    length_m: number;
    area_m2: number;
    edged: boolean;
    /** Plants that are to be kept, and things that stand in it, to be worked round by hand. */
    keptPlants: boolean;
    obstacles: number;
    texture: 'sand' | 'loam' | 'clay';
  };
  passes: { kind: string; minutesPer100m2: number; day?: Day }[];
  /** Every living kind at the stage it has on the day of the first step. */
  stand: (Standing & { flowers?: number })[];
  dm_g_m2: number;
  height_m: number;
  kit: readonly string[];
  sheets: Named<Sheet>[];
  film: Named<ClearFilm>[];
  boards: Named<Board>[];
  pens: Named<HenPen>[];
  flocks: Named<Flock>[];
  person: { mass_kg: number; skill: Skill };
  wind: { exposure: Exposure; gust_km_h: number };
  flow_l_min: number | null;
  logged: readonly LoggedWork[];
  /** Who must be kept from harm here. */
  keeps?: readonly AnimalKind[];
  /** Mean highest temperature of the month, °C. */
  afternoon_c?: number;
  /** What rots once it is turned in: its C:N, and days from then until the ground is ready. */
  rots?: { cn: number; lies_d: number };
  /** Bright days that kill under clear film, of the kind that takes most. */
  film_d?: number;
}

export type Fact =
  | { is: 'stubble'; kill_cm: number | null }
  | { is: 'tool'; fit: ToolFit; least_cm: number; too_high: boolean }
  | { is: 'no-tool' }
  | { is: 'other-tools'; fits: ToolFit[] }
  | { is: 'edges'; metres: number; minutes: number }
  | { is: 'mow-heights'; heights_cm: number[] }
  | { is: 'press'; board: string; edges: number; mass_kg: number; pressing: Pressing }
  | {
      is: 'sheets';
      names: string[];
      turned: boolean;
      lap_m: number;
      hang_m: number;
      times: number;
      weights: Weights;
      gust_km_h: number;
    }
  | { is: 'no-sheet'; width_m: number; length_m: number }
  | { is: 'wet'; litres: number; l_m2: number; runs: number; minutes: number | null }
  | { is: 'cardboard'; pieces: number; kg: number; soak_l: number }
  | { is: 'hens'; name: string; hens: number; pen: PenPlan; target: number }
  | { is: 'flock'; name: string; days: number; heads: number }
  | { is: 'harm'; speciesId: string; animal: AnimalKind; harm: Harm }
  | { is: 'dig'; minutes: number; full: number }
  | { is: 'rots'; cn: number; lies_d: number }
  | { is: 'film-days'; bright_d: number; afternoon_c: number | undefined }
  | { is: 'trench'; litres: number }
  | { is: 'compost'; litres: number; barrows: number; kg: number }
  | { is: 'biofumigate'; batch_m2: number; along_m: number }
  | { is: 'keep-height'; cm: number }
  | { is: 'by-hand'; keptPlants: boolean; obstacles: number }
  | { is: 'bees' }
  | { is: 'heat'; afternoon_c: number; severe: boolean }
  | { is: 'flame-gate' }
  | { is: 'nothing-between' }
  | { is: 'manure'; touching: Day; other: Day };

/** Steps after which what grew lies about, within reach of whoever is about. */
export const LEAVES_CUT = new Set(['cut', 'mow', 'flail', 'crimp', 'rake-off', 'pull']);
