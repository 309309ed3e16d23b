import { type DayIndex } from '../calendar/day.ts';
import { startSoil, nitrogenDay, type SoilState, waterDay } from '../soil/day.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { groundOf, weedsGrow } from '../weeds/weeds.ts';
import { type Plan } from '../termination/plan.ts';

/** One year of the same bed left bare: what a cover is held against. One value a day. */
export interface BareYear {
  /** Mineral nitrogen in the ground, g/m2. */
  mineral_g_m2: Float64Array;
  /** Share of the nitrogen of the first day that drainage has left. */
  kept: Float64Array;
  /** Water in the root zone, mm. */
  root_mm: Float64Array;
  /** Water drained since the first day, mm. */
  drained_mm: Float64Array;
  /** The ground on the morning of the day it is free: every cover sown later begins from it. */
  free: SoilState;
  /** Weeds, share of a full stand, from the day the ground is free. */
  weeds: Float64Array;
}

/** What a plan says of its bed: one twin serves all plans that say the same. */
type Bed = Pick<Plan, 'soil' | 'freeAt' | 'surface'>;

/** The bed left bare in every year of an ensemble, each year worked out when it is first asked for. */
export class BareTwin {
  private readonly years: BareYear[] = [];
  private readonly mornings: Map<number, SoilState>[] = [];

  constructor(
    private readonly ensemble: Ensemble,
    private readonly bed: Bed,
  ) {}

  year(y: number): BareYear {
    return (this.years[y] ??= bareYear(this.ensemble, this.bed, y));
  }

  /** The ground on the morning of day index `day`, no earlier than the day it is free; covers of a gap are sown on the same few days. */
  morning(y: number, day: DayIndex): SoilState {
    const known = (this.mornings[y] ??= new Map([[this.bed.freeAt ?? 0, this.year(y).free]]));
    const found = known.get(day);
    if (found) return found;
    let from = this.bed.freeAt ?? 0;
    for (const d of known.keys()) if (d > from && d < day) from = d;
    // Of one shape with every other ground, or the daily loop slows down.
    const st = Object.assign(startSoil(this.bed.soil), known.get(from));
    const season = this.ensemble.seasons[y]!;
    for (let d = from; d < day; d++) {
      waterDay(st, season, d);
      nitrogenDay(st, season.soilTempo, d);
    }
    known.set(day, st);
    return st;
  }
}

function bareYear(ensemble: Ensemble, { soil, surface = 'clean', freeAt = 0 }: Bed, y: number): BareYear {
  ensemble.upTo(y + 1);
  const season = ensemble.seasons[y]!;
  const { days } = season;
  const out: BareYear = {
    mineral_g_m2: new Float64Array(days),
    kept: new Float64Array(days),
    root_mm: new Float64Array(days),
    drained_mm: new Float64Array(days),
    weeds: new Float64Array(days),
    free: startSoil(soil),
  };
  const st = startSoil(soil);
  const weeds = groundOf(surface);
  let kept = 1;
  for (let d = 0; d < days; d++) {
    if (d === freeAt) Object.assign(out.free, st);
    const before = st.mineral_g_m2;
    const leached = st.leached_g_m2;
    waterDay(st, season, d);
    nitrogenDay(st, season.soilTempo, d);
    if (before > 0) kept *= 1 - (st.leached_g_m2 - leached) / before;
    if (d >= freeAt) weedsGrow(weeds, season.weedWarmth[d + 1]! - season.weedWarmth[d]!, 0, 0);
    out.mineral_g_m2[d] = st.mineral_g_m2;
    out.kept[d] = kept;
    out.root_mm[d] = st.root_mm;
    out.drained_mm[d] = st.drained_mm;
    out.weeds[d] = weeds.mass;
  }
  return out;
}

const twins = new WeakMap<Ensemble, Map<string, BareTwin>>();

/** The bare twin of a gap; all covers of the gap share it. */
export function bareTwin(ensemble: Ensemble, bed: Bed): BareTwin {
  let known = twins.get(ensemble);
  if (!known) twins.set(ensemble, (known = new Map<string, BareTwin>()));
  const key = `${bed.soil.texture} ${bed.soil.fertility} ${bed.freeAt ?? 0} ${bed.surface ?? 'clean'}`;
  let found = known.get(key);
  if (!found) known.set(key, (found = new BareTwin(ensemble, bed)));
  return found;
}
