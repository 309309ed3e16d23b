import { lookUp, tableOf } from '../units/table.ts';

/** Share of dry matter in a fresh stand by stage: leafy 0.15, bud 0.18, flower 0.22, milk 0.3, dough 0.45. */
const FRESH_BY_STAGE = tableOf(
  (s) =>
    s <= 1
      ? 0.15
      : s <= 2
        ? 0.15 + (s - 1) * 0.03
        : s <= 3
          ? 0.18 + (s - 2) * 0.04
          : s <= 4
            ? 0.22 + (s - 3) * 0.08
            : 0.3 + (s - 4) * 0.15,
  0,
  5,
  50,
);
const dryShare = (stage: number): number => lookUp(FRESH_BY_STAGE, stage);
/** Fresh mass of a stand, kg/m2. */
export const fresh_kg_m2 = (dm_g_m2: number, stage: number): number => dm_g_m2 / dryShare(stage) / 1000;
