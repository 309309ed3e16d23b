import { findCrop, methods } from '../catalogue/catalogue.ts';
import { type NextCrop } from '../core/residue/wait.ts';
import { type MethodHere } from '../core/termination/method.ts';
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
export type KitAndRules = Pick<Garden, 'kit' | 'rules'>;

/** Methods with their minutes, and what keeps each from being used in this garden, or on this bed when one is given. */
export function methodsHere(garden: KitAndRules, bed?: Pick<Bed, 'edged' | 'keptPlants'>): MethodHere[] {
  return methods.map((m) => {
    const missing = m.needs
      .filter((any) => !any.some((k) => garden.kit.includes(k)))
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
    return {
      id: m.id,
      passes: m.passes,
      minutesPer100m2: m.passes.reduce((s, p) => s + p.minutesPer100m2, 0),
      missing,
      sheetCap_d: m.passes.some((p) => p.kind === 'lay-film')
        ? garden.rules.filmCap_d
        : garden.rules.sheetCap_d,
      proposed: m.proposed,
    };
  });
}
