import { pageOf, sources } from '../../catalogue/pages.ts';
import { type SpeciesEntry, type SpeciesPage } from '../../catalogue/schema.ts';
import { showDepth, showLength, showPerArea, type UnitChoice } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';

type Group = keyof SpeciesPage['provenance'];

/** Figures in the groups that share a source. */
function groups(s: SpeciesEntry, units: UnitChoice): [Group, string, string][] {
  const span = (a: number, b: number) => `${showPerArea(a, units)} to ${showPerArea(b, units)}`;
  return [
    [
      'seed',
      'Seed',
      `broadcast ${span(s.seed.rateBroadcastLow_g_m2, s.seed.rateBroadcastHigh_g_m2)}; ${s.seed.thousandSeed_g} g a thousand; ${showDepth(s.seed.depthMin_mm, units)} to ${showDepth(s.seed.depthMax_mm, units)} deep`,
    ],
    [
      'thermal',
      'Warmth',
      `grows from ${s.thermal.base_c} °C, best at ${s.thermal.opt_c}, not above ${s.thermal.max_c}; comes up after ${s.thermal.emergence_cd} °C d in soil over ${s.thermal.germMin_c} °C`,
    ],
    [
      'stages',
      'Stages',
      `bud ${s.stages.bud_cd}, flower ${s.stages.flower_cd}, milk ${s.stages.milk_cd}, ripe seed ${s.stages.seed_cd} °C d from coming up${s.daylength ? `; waits for ${s.daylength.response} days` : ''}${s.chilling ? `; wants ${s.chilling.required_d} days of cold` : ''}`,
    ],
    [
      'growth',
      'Growth',
      `${s.growth.rue_g_MJ} g per MJ of light; usually ${showPerArea(s.growth.typical_g_m2, units)} dry, at most ${showPerArea(s.growth.max_g_m2, units)}; ${showLength(s.growth.heightFlower_m, units)} tall in flower`,
    ],
    ['roots', 'Roots', `${s.roots.habit.replace('-', ' ')}, to ${showLength(s.roots.depth_m, units)}`],
    [
      'nitrogen',
      'Nitrogen',
      `${s.nitrogen.leafyPct} % when leafy, ${s.nitrogen.flowerPct} % in flower, ${s.nitrogen.seedPct} % when ripe${s.nitrogen.fixedShare ? `; ${Math.round(s.nitrogen.fixedShare * 100)} % of it from the air` : ''}`,
    ],
    [
      'cold',
      'Cold and heat',
      `half die at ${s.cold.hardened_c} °C hardened, ${s.cold.tender_c} °C tender${s.heatKill_c ? `; fails after days above ${s.heatKill_c} °C` : ''}`,
    ],
    [
      'ending',
      'Ending',
      `cut from ${s.ending.chopStage}, crimp from ${s.ending.crimpStage}; ${Math.round(s.ending.regrowth * 100)} of 100 come again after a leafy cut; ${s.ending.sheet} under a sheet`,
    ],
  ];
}

/** Every figure with how far it can be trusted and where it is from. */
export function Figures({ species, titled }: { species: SpeciesEntry; titled: boolean }) {
  const { garden } = useGarden();
  const page = pageOf(species.id);
  const rows = groups(species, garden.units);
  const keys = [...new Set(rows.flatMap(([g]) => page.provenance[g].sources))].sort();
  return (
    <section className="mt-6">
      <h2 className="font-display text-xl font-bold">
        {titled ? `Figures of ${species.name.toLowerCase()}` : 'Figures'}
      </h2>
      <dl className="mt-2 max-w-4xl">
        {rows.map(([group, label, text]) => (
          <div key={group} className="border-linen grid gap-x-4 border-t py-2 sm:grid-cols-[8rem_1fr_14rem]">
            <dt className="font-semibold">{label}</dt>
            <dd>{text}</dd>
            <dd className="text-bark text-sm">
              Trust: {page.provenance[group].confidence}. {page.provenance[group].sources.join(', ')}
            </dd>
          </div>
        ))}
      </dl>
      <details className="mt-2">
        <summary className="cursor-pointer underline">The sources in full</summary>
        <ul className="text-bark mt-1 max-w-4xl text-sm">
          {keys.map((k) => (
            <li key={k}>
              <b>{k}</b> {sources[k]}
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}
