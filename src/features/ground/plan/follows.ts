import { findSpecies } from '../../../catalogue/catalogue.ts';
import { pressing } from '../../../core/work/board.ts';
import { spread } from '../../../core/work/loads.ts';
import { penPlan } from '../../../core/work/pen.ts';
import { weightsFor } from '../../../core/work/sheets.ts';
import { showLength, showMass, showSeed, showVolume } from '../../../core/units/show.ts';
import { boxOf, sheetsOver } from '../../../questions/methods.ts';
import { weightsOf } from '../../../questions/weights.ts';
import type { Bed, Cover, Garden } from '../../../records/types.ts';

const COMPOST_CM = 3;

/** What a bed's shape makes of seed, sheet, board, hens and compost, in words. */
export function follows(garden: Garden, bed: Bed, covers: Cover[]): { title: string; words: string }[] {
  const { units, things, people, wind } = garden;
  const out: { title: string; words: string }[] = [];
  const box = boxOf(bed);
  const next = covers
    .filter((c) => c.bedId === bed.id && !c.sownOn)
    .sort((a, b) => a.sowOn.localeCompare(b.sowOn))[0];
  if (next) {
    const weights = weightsOf(next, bed);
    out.push({
      title: 'Seed for the next sowing',
      words: weights
        .map((w) => {
          const name = findSpecies(w.speciesId)?.name.toLowerCase() ?? w.speciesId;
          return `${showSeed(w.weigh_g, units)} ${name}, ${next.throws} throws of ${showSeed(w.weigh_g / next.throws, units)}`;
        })
        .join('; '),
    });
  } else
    out.push({
      title: 'Seed',
      words: `10 g/m² comes to ${showSeed(bed.area_m2 * 10, units)}, two throws of ${showSeed(bed.area_m2 * 5, units)}`,
    });
  const sheets = things.filter((t) => t.of === 'opaque-sheet');
  if (sheets.length > 0) {
    const laid = sheetsOver(things, bed)[0];
    const weights = laid && weightsFor(laid.width_m, laid.length_m, wind.gust_km_h, wind.exposure);
    out.push({
      title: 'Sheet',
      words: laid
        ? `${laid.sheets.map((s) => s.name).join(' and ')} ${laid.sheets.length > 1 ? 'cover' : 'covers'} it with ${showLength(laid.hang_m, units)} over; ${weights!.points} weights of ${showMass(Math.round(weights!.each_kg * 10) * 100, units)}`
        : `None covers it: ${showLength(box.width_m + 0.6, units)} x ${showLength(box.length_m + 0.6, units)} would`,
    });
  }
  const board = things.find((t) => t.of === 'crimper-board');
  if (board && !bed.edged) {
    const p = pressing(box, board, people[0]!.mass_kg, []);
    out.push({
      title: board.name,
      words: `${p.presses} presses a pass, ${p.step_cm} cm apart${p.lanes > 1 ? `, ${p.lanes} side by side` : ''}`,
    });
  }
  const pen = things.find((t) => t.of === 'hen-pen');
  if (pen) {
    const p = penPlan(bed.area_m2, pen);
    out.push({
      title: pen.name,
      words: `${p.spots} ${p.spots === 1 ? 'spot' : 'spots'}, a round in ${Math.max(1, Math.round(p.roundDays))} days`,
    });
  }
  const compost = spread(bed.area_m2, COMPOST_CM);
  out.push({
    title: `Compost, ${COMPOST_CM} cm`,
    words: `${showVolume(compost.litres, units)}: ${compost.barrows} ${compost.barrows === 1 ? 'barrow' : 'barrows'}`,
  });
  return out;
}
