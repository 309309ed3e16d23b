import { type WeekAway } from '../core/plan/answers.ts';
import { showPerArea, type UnitChoice } from '../core/units/show.ts';
import { showDay } from './dates.ts';

/** Differences smaller than these are not worth a word. */
const SPEAKS = { served: 0.01, nitrogen_g_m2: 0.3, residue_g_m2: 20, flower_d: 2, weeds: 0.03 };

/** What a week earlier or later gives or costs, in one sentence: odds first, then what changes by enough to matter. */
export function weekWords(w: WeekAway, units: UnitChoice): string {
  const more = (x: number) => (x > 0 ? 'more' : 'less');
  const parts: string[] = [];
  if (Math.abs(w.served) >= SPEAKS.served)
    parts.push(
      `your aims ${Math.round(Math.abs(w.served) * 100)} % ${w.served > 0 ? 'better' : 'worse'} served`,
    );
  if (Math.abs(w.nitrogen_g_m2) >= SPEAKS.nitrogen_g_m2)
    parts.push(
      `${showPerArea(Math.abs(w.nitrogen_g_m2), units)} ${more(w.nitrogen_g_m2)} nitrogen for what follows`,
    );
  if (Math.abs(w.residue_g_m2) >= SPEAKS.residue_g_m2)
    parts.push(`${showPerArea(Math.abs(w.residue_g_m2), units)} ${more(w.residue_g_m2)} mulch`);
  if (Math.abs(w.flowerDays) >= SPEAKS.flower_d)
    parts.push(`${Math.round(Math.abs(w.flowerDays))} days ${w.flowerDays > 0 ? 'more' : 'fewer'} in flower`);
  if (Math.abs(w.weedsHeld) >= SPEAKS.weeds)
    parts.push(
      `weeds ${Math.round(Math.abs(w.weedsHeld) * 100)} % ${w.weedsHeld > 0 ? 'better' : 'worse'} held`,
    );
  const rest = parts.length > 0 ? parts.join(', ') : 'little else changes';
  return `A week ${w.days < 0 ? 'earlier' : 'later'} (${showDay(w.startDay)}): out of the way in ${Math.round(w.inTime * 100)} years of 100; ${rest}.`;
}
