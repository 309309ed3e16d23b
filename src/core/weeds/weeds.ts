import { asFractions } from '../units/shape.ts';
import { higher, lower } from '../units/bounds.ts';
import { exp } from '../units/exact.ts';
import { lookUp, tableOf } from '../units/table.ts';

/**
 * Answers: how heavy are the weeds of this ground against the heaviest it can bear?
 * A flush of seedlings comes with warmth from the day the ground was last worked, less of it in the shade of leaves and under residue; what is up
 * grows by the light it gets, up to the full stand, and wastes away in deep shade:
 *   dS = -S p dH u;  dB = S p dH u m + (g L - r) B dH - g L B^2 dH
 * S share of the flush still to come · B weed mass, share of a full stand · H degree-days above 3 °C · L share of light · p, m, g, r below ·
 * u = (1 - SHADE c)(exp(-b M)), c ground covered by living leaves, M residue in t/ha.
 * So what comes up before the canopy closes is overtopped and held, what comes later starves, and bare ground fills within two warm months.
 * Sources: the shape of seedling emergence by thermal time (Forcella 1998; Myers 2004: half of a flush by 150-300 degree-days), relative growth
 * 0.15-0.25 a day in full light at 20 °C (Storkey 2004), light compensation of small annuals near a tenth of full light; residue: Teasdale and
 * Mohler 2000 (b 0.13-0.35 ha/t for small annuals). g, r and SHADE are set so that the published cases of docs/methods/weeds.md come out.
 * Worked figure: 42 bare days at 17 °C give 0.28 of a full stand, 70 give 0.83.
 */
export interface Weeds {
  /** Share of the flush that is still to come. */
  seeds: number;
  /** Mass, share of a full stand, 0..1. */
  mass: number;
}

const PER_CD = 1 / 260;
/** Mass of a whole flush as seedlings, share of a full stand. */
const SEEDLINGS = 0.004;
const GROWTH_PER_CD = 0.0115;
const WASTE_PER_CD = 0.0016;
/** How far full leaf cover keeps seed from coming up. */
const SHADE = 0.6;
/** Small annual weeds held by residue, ha/t (0.13-0.35). */
const RESIDUE_HOLDS_HA_T = 0.27;
/** Light that weeds among the leaves of a closed canopy still find, as a share. */
const AMONG_LEAVES = 0.13;
/** Light that full ground cover of residue keeps from seedlings on their way up, as a share. */
const RESIDUE_SHADES = 0.22;
/** Residue that falls on small weeds presses this part of them for each t/ha (exponent). */
const FALLS_ON_HA_T = 0.15;

/** Share of seedlings that come through residue of so many t/ha. */
const THROUGH = tableOf((m) => exp(-RESIDUE_HOLDS_HA_T * m), 0, 20, 400);

/** Ground covered by residue of so many t/ha, a middling kind. */
const LAID_OVER = tableOf((m) => 1 - exp(-0.7 * m), 0, 20, 400);

export const cleanGround = (): Weeds => ({ seeds: 1, mass: 0 });

/** Ground as it is when the cover goes in, by what was on it: weeds that raking leaves in place. */
export const groundOf = (surface: 'clean' | 'weedy' | 'sod'): Weeds => ({
  seeds: 1,
  mass: surface === 'clean' ? 0 : surface === 'weedy' ? 0.05 : 0.3,
});
asFractions(groundOf('clean'));

/**
 * Goes on by some warmth under the same cover.
 * @param heat_cd degree-days above 3 °C; @param cover living leaves, 0..1; @param residue_t_ha what lies on the ground
 */
export function weedsGrow(w: Weeds, heat_cd: number, cover: number, residue_t_ha: number): void {
  if (heat_cd <= 0) return;
  const through = residue_t_ha > 0 ? lookUp(THROUGH, residue_t_ha) : 1;
  const up = lower(w.seeds, w.seeds * PER_CD * heat_cd * (1 - SHADE * cover) * through);
  w.seeds -= up;
  const light =
    (1 - cover + AMONG_LEAVES * cover) *
    (residue_t_ha > 0 ? 1 - RESIDUE_SHADES * lookUp(LAID_OVER, residue_t_ha) : 1);
  const mass = w.mass + up * SEEDLINGS;
  // The logistic in closed form, so that a week at a time comes out as seven days do.
  const gain = GROWTH_PER_CD * light;
  const net = gain - WASTE_PER_CD;
  const times = lookUp(GROWS, net * heat_cd);
  const crowd = net !== 0 ? (gain * mass * (times - 1)) / net : gain * mass * heat_cd;
  w.mass = higher(0, lower(1, (mass * times) / (1 + crowd)));
}
/** e^x for the growth of a step. */
const GROWS = tableOf((x) => exp(x), -4, 8, 24_000);

/** A stand falls on its weeds. */
export const fallOn = (w: Weeds, residue_t_ha: number): void => {
  w.mass *= exp(-FALLS_ON_HA_T * residue_t_ha);
};

/** Weeds kept down, 0..1, against ground left bare. */
export const heldAgainst = (mass: number, bare: number): number =>
  bare > 0 ? higher(0, 1 - mass / bare) : mass > 0 ? 0 : 1;
