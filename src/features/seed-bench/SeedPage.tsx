import { changeCover, changeGarden, type Patch } from '../../records/commands/change.ts';
import { useParams, Link } from 'react-router';
import { coverTitle, speciesOf, wayOf } from '../../catalogue/catalogue.ts';
import { portions, type SeedLot, throwGroups } from '../../core/seed/weight.ts';
import { G_PER_LB, showArea, showCount, showMass, showPerArea } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { SelectField } from '../../ui/fields.tsx';
import { seedCost, seedNeeded, sownArea_m2, weightsOf } from '../../questions/weights.ts';
import { useCover } from '../../ring/useForecast.ts';
import { Answer, Field, Page } from '../../ui/parts.tsx';
import { Steps } from '../../ui/Steps.tsx';
import { Term } from '../../ui/Term.tsx';
import { Swatch } from '../../ui/Weave.tsx';
import { SeedChoices } from './SeedChoices.tsx';
import { LotPicker } from './LotPicker.tsx';
import type { Cover } from '../../records/types.ts';

type SeedWeight = ReturnType<typeof weightsOf>[number];

/** Of a hundred seeds at least so many come up, or nobody would sow them. */
const LEAST_ALIVE = 5;
const leastAlive = (hard: number) => Math.round(hard * 100) + LEAST_ALIVE;

/** The weight to put on the scale, with its working, and the portions. */
export default function SeedPage() {
  const { cover, bed, garden, hands, run } = useCover(useParams().coverId);
  if (!cover || !bed) return <p className="p-6">This cover is not in the garden.</p>;
  const weights = weightsOf(cover, bed);
  const total = weights.reduce((s, w) => s + w.weigh_g, 0);
  const cost = seedCost(garden, weights);
  const set = (patch: Patch<Cover>, label: string) =>
    void run(changeCover(hands, cover, 'seed', label, patch, true));
  return (
    <Page
      title={`Seed for bed ${bed.name}`}
      lead={`${coverTitle(cover)}, ${showArea(sownArea_m2(cover, bed), garden.units)}, ${wayOf(cover.wayId).name.toLowerCase()}`}
    >
      <Steps coverId={cover.id} bedId={bed.id} bedName={bed.name} />
      {!seedNeeded(cover) && (
        <Answer big="Nothing to weigh">
          It is to come from the seed that its own last stand has shed. Scratch the surface and keep it moist;
          if it stays thin, the weights below are what a fresh sowing would take.
        </Answer>
      )}
      <Answer
        big={weights
          .map((w) => `${showMass(w.weigh_g, garden.units)} ${speciesOf(w.speciesId).name.toLowerCase()}`)
          .join(' + ')}
      >
        {weights.length > 1 && `${showMass(total, garden.units)} in all. `}
        {cost.guessed ? 'A guess at the cost' : 'Cost'}: {garden.currency}
        {cost.cost.toFixed(2)}. {cost.guessed && 'Enter your own prices below.'}
      </Answer>
      <SeedChoices cover={cover} bed={bed} onChange={set} />
      {weights.map((w) => (
        <KindOnTheScale key={w.speciesId} cover={cover} weight={w} onChange={set} />
      ))}
      <Portions cover={cover} weights={weights} />
      <Link className="btn btn-primary" to={`/cover/${cover.id}/sow`}>
        To the sowing
      </Link>
    </Page>
  );
}

/** One kind: how its weight comes about, which lot it is taken from, and what is known of that seed. */
function KindOnTheScale({
  cover,
  weight: w,
  onChange,
}: {
  cover: Cover;
  weight: SeedWeight;
  onChange(patch: Patch<Cover>, label: string): void;
}) {
  const sp = speciesOf(w.speciesId);
  const percent = (label: string, key: keyof SeedLot, low: number, high: number) => (
    <Percent cover={cover} speciesId={w.speciesId} label={label} field={key} low={low} high={high} />
  );
  return (
    <section className="border-linen border-t py-4">
      <h2 className="font-display flex items-center gap-2 text-lg font-bold">
        <Swatch motif={sp.role} /> {sp.name}
      </h2>
      <Working weight={w} />
      <LotPicker cover={cover} speciesId={w.speciesId} onChange={onChange} />
      <div
        className={`mt-2 grid gap-3 ${sp.hardSeed ? 'max-w-3xl sm:grid-cols-5' : 'max-w-2xl sm:grid-cols-4'}`}
      >
        {percent('Germination %', 'germination', leastAlive(w.hard), 100)}
        {sp.hardSeed &&
          percent('Of it hard, points', 'hard', 0, Math.round(w.germination * 100) - LEAST_ALIVE)}
        {percent('Purity %', 'purity', 20, 100)}
        {percent('Coating %', 'coating', 0, 80)}
        <Price speciesId={w.speciesId} />
      </div>
    </section>
  );
}

/** From ground and rate to living seed, and from that to what the scale shows. */
function Working({ weight: w }: { weight: SeedWeight }) {
  const { garden } = useGarden();
  const { units } = garden;
  const sp = speciesOf(w.speciesId);
  const pct = (share: number) => Math.round(share * 100);
  return (
    <>
      <p className="mt-1">
        {showArea(w.area_m2, units)} × {showPerArea(w.rate_g_m2, units)} ×{' '}
        {w.share < 1 ? `share ${pct(w.share)} % × ` : ''}
        {w.mixFactor !== 1 ? `mix ${w.mixFactor.toFixed(2)} × ` : ''}way of sowing{' '}
        {Number(w.wayFactor.toFixed(2))}
        {(w.lateFactor ?? 1) > 1 ? ` × late ${w.lateFactor!.toFixed(2)}` : ''} ={' '}
        <b>{showMass(w.viable_g, units)}</b> of <Term id="viable">living seed</Term>
      </p>
      <p>
        ÷{' '}
        {w.hard > 0
          ? `(germination ${pct(w.germination)} % − hard ${pct(w.hard)} %)`
          : `germination ${pct(w.germination)} %`}{' '}
        ÷ purity {pct(w.purity)} %{w.coating > 0 ? ` ÷ bare share ${pct(1 - w.coating)} %` : ''} ={' '}
        <b>{showMass(w.weigh_g, units)}</b> on the scale
      </p>
      <p className="text-bark text-sm">
        {sp.hardSeed &&
          'Some of this seed is hard and sleeps for years. Where the germination on the bag counts it, enter how much of it is hard. '}
        {sp.hardSeed && (
          <>
            <Term id="hard">What is hard seed?</Term>{' '}
          </>
        )}
        Living seeds: about {showCount(((w.viable_g / sp.seed.thousandSeed_g) * 1000) / w.area_m2, units)}.{' '}
        {sp.seed.inoculant &&
          `Coat with ${sp.seed.inoculant.replace('-', ' ')} inoculant on new ground, out of the sun, the same day.`}
      </p>
    </>
  );
}

/** What is known of the seed, as a percentage that can be put right; what is out of bounds goes back to what it was. */
function Percent({
  cover,
  speciesId,
  label,
  field,
  low,
  high,
}: {
  cover: Cover;
  speciesId: string;
  label: string;
  field: keyof SeedLot;
  low: number;
  high: number;
}) {
  const { hands, run } = useGarden();
  const share = cover.seed.find((s) => s.speciesId === speciesId)![field];
  const shown = Math.round(share * 100);
  const keep = (pct: number) =>
    void run(
      changeCover(hands, cover, 'seed-lot', 'the seed on the bench', (c) => ({
        seed: c.seed.map((s) => (s.speciesId === speciesId ? { ...s, [field]: pct / 100 } : s)),
      })),
    );
  return (
    <Field label={label}>
      {(id) => (
        <input
          id={id}
          type="number"
          className="input input-sm"
          min={low}
          max={high}
          key={share}
          defaultValue={shown}
          onBlur={(e) => {
            const typed = Number(e.target.value);
            if (typed >= low && typed <= high && typed !== shown) keep(typed);
            else e.target.value = String(shown);
          }}
        />
      )}
    </Field>
  );
}

/** What a kilogram or a pound of the kind costs here. */
function Price({ speciesId }: { speciesId: string }) {
  const { garden, hands, run } = useGarden();
  // Prices are kept per kilogram and shown per pound where masses are in ounces.
  const kilos = garden.units.mass === 'imperial' ? G_PER_LB / 1000 : 1;
  const price = garden.seedPrices[speciesId];
  const shown = price === undefined ? '' : (price * kilos).toFixed(2);
  return (
    <Field label={`Price a ${kilos === 1 ? 'kilogram' : 'pound'}`}>
      {(id) => (
        <input
          id={id}
          type="number"
          min={0}
          step="0.1"
          className="input input-sm"
          defaultValue={shown}
          onBlur={(e) => {
            const typed = e.target.value;
            if (typed !== '' && Number(typed) >= 0 && typed !== shown)
              void run(
                changeGarden(hands, garden.id, 'a seed price', (g) => ({
                  seedPrices: { ...g.seedPrices, [speciesId]: Number(typed) / kilos },
                })),
              );
          }}
        />
      )}
    </Field>
  );
}

/** What goes into the bag for each throw; sizes that part in one bag are thrown apart. */
function Portions({ cover, weights }: { cover: Cover; weights: SeedWeight[] }) {
  const { garden, hands, run } = useGarden();
  const groups = throwGroups(weights.map((w) => speciesOf(w.speciesId).seed.thousandSeed_g));
  return (
    <section className="border-linen border-t py-4">
      <h2 className="font-display text-lg font-bold">Portions, one a throw</h2>
      <p className="max-w-2xl">
        Two light <Term id="throws">throws</Term> crosswise cover far more evenly than one heavy throw: what
        one leaves thin the other fills.
      </p>
      <div className="mt-2 max-w-xs">
        <SelectField
          label="Throws over the bed"
          value={String(cover.throws)}
          options={['1', '2', '3', '4'].map((n) => [n, n] as const)}
          onChange={(n) =>
            void run(
              changeCover(hands, cover, 'throws', 'the number of throws', () => ({ throws: Number(n) })),
            )
          }
        />
      </div>
      <ul className="mt-3">
        {groups.map((group, g) => (
          <li key={g} className="border-linen border-t py-2">
            <b>{group.map((i) => speciesOf(weights[i]!.speciesId).name).join(' with ')}</b>
            {groups.length > 1 && (
              <span className="text-bark"> thrown apart, since sizes part in one bag</span>
            )}
            <ol className="flex flex-wrap gap-x-6">
              {portions(
                group.reduce((s, i) => s + weights[i]!.weigh_g, 0),
                cover.throws,
              ).map((p, k) => (
                <li key={k}>
                  Throw {k + 1}: <b>{showMass(p, garden.units)}</b>
                </li>
              ))}
            </ol>
          </li>
        ))}
      </ul>
    </section>
  );
}
