import { coverName } from '../../catalogue/catalogue.ts';
import { cheapestPacks } from '../../core/seed/packs.ts';
import { showMass } from '../../core/units/show.ts';
import { seedCost } from '../../questions/weights.ts';
import { useGarden } from '../../ring/garden.tsx';
import type { Recipe } from '../../records/types.ts';
import { type PlannedSowing } from '../../questions/needs.ts';

/** Own mix against a ready one that could stand in for it, per bed and in all. */
export function OwnOrReady({ sowings }: { sowings: PlannedSowing[] }) {
  const { garden, recipes } = useGarden();
  const ready = recipes.filter((r) => r.ready && r.packs.length > 0);
  const money = (x: number) => `${garden.currency}${x.toFixed(2)}`;
  if (ready.length === 0)
    return (
      <p className="text-bark border-linen border-t py-3">
        To hold your own mixes against a ready one, keep it under Mixes with its packs and the rate on its
        bag.
      </p>
    );
  return (
    <section className="border-walnut border-t py-3">
      <h2 className="font-display text-lg font-bold">Own mix or ready mix</h2>
      {ready.map((r) => {
        const alike = sowings.filter((s) => shareInCommon(s, r) >= 0.5);
        if (alike.length === 0)
          return (
            <p key={r.id}>
              {r.name} ({coverName(r.parts)}): no planned sowing is like it.
            </p>
          );
        const beds = alike.map((s) => {
          const area = s.weights[0]!.area_m2;
          const grams = area * (r.rate_g_m2 ?? s.total_g / area);
          return { s, grams, own: seedCost(garden, s.weights) };
        });
        const total_g = beds.reduce((sum, b) => sum + b.grams, 0);
        const bought = cheapestPacks(total_g, r.packs)!;
        const perGram = bought.cost / bought.bought_g;
        const own = beds.reduce((sum, b) => sum + b.own.cost, 0);
        return (
          <div key={r.id} className="py-2">
            <p>
              <b>{r.name}</b> in all: {showMass(total_g, garden.units)}, {money(bought.cost)} in packs,{' '}
              {showMass(bought.left_g, garden.units)} left over. Mixed from single bags: {money(own)}
              {beds.some((b) => b.own.guessed) ? ', partly a guess until you enter your prices' : ''}.{' '}
              <b>{own < bought.cost ? 'Mixing your own is cheaper.' : 'The ready mix is cheaper.'}</b>
            </p>
            <ul className="text-sm">
              {beds.map((b) => (
                <li key={b.s.cover.id}>
                  Bed {b.s.bed.name}, {b.s.name.toLowerCase()}: ready {money(b.grams * perGram)}, own{' '}
                  {money(b.own.cost)}
                </li>
              ))}
            </ul>
          </div>
        );
      })}
    </section>
  );
}

/** Share of the recipe's weight whose kinds the sowing has too. */
const shareInCommon = (s: PlannedSowing, r: Recipe): number =>
  r.parts
    .filter((p) => s.weights.some((w) => w.speciesId === p.speciesId))
    .reduce((sum, p) => sum + p.share, 0);
