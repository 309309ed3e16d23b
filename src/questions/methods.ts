import { findCrop, methods } from '../catalogue/catalogue.ts';
import { type NextCrop } from '../core/residue/wait.ts';
import { type MethodHere } from '../core/termination/method.ts';
import { bySchools, type Choices } from '../core/termination/schools.ts';
import { METRIC, showLength, type UnitChoice } from '../core/units/show.ts';
import { penPlan } from '../core/work/pen.ts';
import { type Laid, layings, neededFor, sheetTimes } from '../core/work/sheets.ts';
import { kitOf, type Thing } from '../records/things.ts';
import type { Bed, Garden } from '../records/types.ts';

/** From records to what the core asks: the border where ids become figures. */
export function nextCropOf(cropId: string, way: 'transplant' | 'seed'): NextCrop {
  const c = findCrop(cropId) ?? findCrop('lettuce')!;
  return { ...c, way };
}

const RULE_WORDS = {
  plastic: ['noPlastic', 'no plastic'],
  animals: ['noAnimals', 'no animals on beds'],
  fire: ['noFire', 'no fire'],
  digging: ['noDigging', 'no digging'],
} as const;

/** A gardener's tools and house rules: all that a garden's records say of which methods can be used. */
export type KitAndRules = Pick<Garden, 'kit' | 'rules'> &
  Partial<Pick<Garden, 'things' | 'units' | 'choices' | 'learnt'>>;
type BedHere = Pick<Bed, 'edged' | 'keptPlants'> &
  Partial<Pick<Bed, 'width_m' | 'length_m' | 'area_m2' | 'choices'>>;

export type SheetThing = Extract<Thing, { of: 'opaque-sheet' }>;
type PenThing = Extract<Thing, { of: 'hen-pen' }>;
export const sheetsOf = (things: readonly Thing[] = []): SheetThing[] =>
  things.filter((t): t is SheetThing => t.of === 'opaque-sheet');

/** Width and length of a bed; a square of its area where it is no rectangle. */
export const boxOf = (
  bed: Pick<BedHere, 'width_m' | 'length_m' | 'area_m2'>,
): { width_m: number; length_m: number } => {
  const side = Math.sqrt(bed.area_m2 ?? 1);
  const [a, b] = [bed.width_m ?? side, bed.length_m ?? side];
  return { width_m: Math.min(a, b), length_m: Math.max(a, b) };
};

/** How sheets of the garden cover this bed, the best first. */
export const sheetsOver = (things: readonly Thing[] | undefined, bed: BedHere): Laid<SheetThing>[] =>
  layings(boxOf(bed), sheetsOf(things));

/** What the sheets at hand make of a way under a sheet: how much longer it takes, or what size is wanting. A usual size that nobody was asked about rules nothing out. */
function underSheets(
  things: readonly Thing[] | undefined,
  bed: BedHere | undefined,
  units: UnitChoice,
): { times?: number; missing?: string } {
  const sheets = sheetsOf(things);
  if (sheets.length === 0 || !bed?.area_m2 || sheets.some((s) => !s.asked)) return {};
  const laid = sheetsOver(things, bed);
  if (laid.length === 0) {
    const need = neededFor(boxOf(bed));
    return {
      missing: `no sheet of ${showLength(need.width_m, units)} x ${showLength(need.length_m, units)} or more, nor two that lap`,
    };
  }
  return { times: Math.min(...laid.map((l) => Math.max(...l.sheets.map(sheetTimes)))) };
}

/** Days of rest between two rounds of hens, so that what grows again is worth their while. */
const HENS_REST_D = 7;

/** The passes of a way as they are done on this bed: a round of hens takes as long as their pen and number make it. */
function passesHere(
  passes: MethodHere['passes'],
  things: readonly Thing[] | undefined,
  bed: BedHere | undefined,
): MethodHere['passes'] {
  const pen = things?.find((t): t is PenThing => t.of === 'hen-pen');
  if (!pen?.asked || !bed?.area_m2 || !passes.some((p) => p.kind === 'hens')) return passes;
  const round = Math.max(1, Math.round(penPlan(bed.area_m2, pen).roundDays));
  let after = 0;
  return passes.map((p) => {
    if (p.kind !== 'hens') return p;
    const at = Math.max(p.after_d ?? 0, after);
    after = at + round + HENS_REST_D;
    return { ...p, after_d: at, lasts_d: round };
  });
}

/** Sides taken here: the garden's, and where this bed is kept another way, the bed's. */
export const choicesHere = (
  garden: Partial<Pick<Garden, 'choices'>>,
  bed?: Partial<Pick<Bed, 'choices'>>,
): Choices => ({ ...garden.choices, ...bed?.choices });

/** What the garden has shown of a way, where its gardener let it into forecasts. */
function killTimesOf({ learnt }: KitAndRules, method: string): { killTimes?: number } {
  const killTimes = learnt?.kills?.[method];
  return killTimes === undefined ? {} : { killTimes };
}

/** Methods with their minutes, and what keeps each from being used in this garden, or on this bed when one is given. */
export function methodsHere(garden: KitAndRules, bed?: BedHere): MethodHere[] {
  const tools = kitOf(garden);
  const choices = choicesHere(garden, bed);
  const sheet = underSheets(garden.things, bed, garden.units ?? METRIC);
  return methods.map((m) => {
    const missing = m.needs
      .filter((any) => !any.some((k) => tools.includes(k)))
      .map((any) => any.join(' or ').replaceAll('-', ' '));
    for (const use of m.uses) {
      const [rule, words] = RULE_WORDS[use];
      if (garden.rules[rule]) missing.push(`house rule: ${words}`);
    }
    if (m.footOnBed && garden.rules.noFootOnBed) missing.push('house rule: no foot on the bed');
    if (bed?.edged && m.edges === 'awkward') missing.push('the raised edges are in its way');
    if (bed?.keptPlants && m.keptPlants === 'killed') missing.push('plants kept in this bed would die');
    if (bed?.keptPlants && m.keptPlants === 'spoiled')
      missing.push('plants kept in this bed would be spoiled');
    const covers = m.passes.some((p) => p.kind === 'lay-sheet');
    if (covers && sheet.missing) missing.push(sheet.missing);
    const here: MethodHere = {
      id: m.id,
      passes: passesHere(m.passes, garden.things, bed),
      minutesPer100m2: m.passes.reduce((s, p) => s + p.minutesPer100m2, 0),
      missing,
      sheetCap_d: m.passes.some((p) => p.kind === 'lay-film')
        ? garden.rules.filmCap_d
        : garden.rules.sheetCap_d,
      ...(covers && sheet.times && sheet.times > 1 ? { coverTimes: sheet.times } : {}),
      ...killTimesOf(garden, m.id),
      proposed: m.proposed,
    };
    return bySchools(here, choices);
  });
}
