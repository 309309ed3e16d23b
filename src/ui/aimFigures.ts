import { type EndingAnswer } from '../core/plan/answers.ts';
import { type Spread } from '../core/random/quantile.ts';
import { showPerArea, type UnitChoice } from '../core/units/show.ts';

/** Fields that a day of waiting and an ending have alike. */
type Told = Pick<
  EndingAnswer,
  'dryMatter_g_m2' | 'nitrogen_g_m2' | 'residue_g_m2' | 'caught_g_m2' | 'weedsHeld' | 'flowerDays' | 'held'
>;

interface AimFigure {
  /** What is counted, as one says it after the figure. */
  name: string;
  of(x: Told): Spread;
  show(value: number, units: UnitChoice): string;
}

const percent = (x: number) => `${Math.round(x * 100)} %`;
const days = (x: number) => `${Math.round(x)} days`;

/** The figure each aim asks for; work is told in minutes of its own. */
export const AIM_FIGURES: Record<string, AimFigure> = {
  feed: { name: 'nitrogen', of: (x) => x.nitrogen_g_m2, show: showPerArea },
  bulk: { name: 'mulch at planting', of: (x) => x.residue_g_m2, show: showPerArea },
  hold: { name: 'of the ground held', of: (x) => x.held, show: percent },
  smother: { name: 'of the weeds held', of: (x) => x.weedsHeld, show: percent },
  flowers: { name: 'in flower', of: (x) => x.flowerDays, show: days },
  loosen: { name: 'dry matter', of: (x) => x.dryMatter_g_m2, show: showPerArea },
  catch: { name: 'nitrogen caught', of: (x) => x.caught_g_m2, show: showPerArea },
};
