import { changeGarden } from '../../records/commands/change.ts';
import { z } from 'zod';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { inoculant_g } from '../../core/seed/inoculant.ts';
import { cheapestPacks, type Pack, type PackChoice } from '../../core/seed/packs.ts';
import { drawFromShelf } from '../../core/seed/shelf.ts';
import { G_PER_OZ, showMass } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { TextField } from '../../ui/fields.tsx';
import { Answer } from '../../ui/parts.tsx';
import { bedNeeds, type PlannedSowing, shelfLot } from '../../questions/needs.ts';
import { OwnOrReady } from './OwnOrReady.tsx';
import { useKeptForm } from '../../ring/useKeptForm.ts';
import { figure } from '../../ring/typedFigures.ts';

/** What the shelf does not hold, in packs that are sold, for all beds of the season together. */
export function ToBuy({ sowings }: { sowings: PlannedSowing[] }) {
  const { garden, lots, today, hands, run } = useGarden();
  const { drawn, wanting_g } = drawFromShelf(
    bedNeeds(sowings),
    lots.map((l) => shelfLot(l, today)),
  );
  const kinds = [...new Set(sowings.flatMap((s) => s.weights.map((w) => w.speciesId)))];
  const rows = kinds.map((speciesId) => {
    const weights = sowings.flatMap((s) => s.weights.filter((w) => w.speciesId === speciesId));
    const viable_g = weights.reduce((s, w) => s + w.viable_g, 0);
    // Fresh seed to be bought is reckoned at what the working of these beds says of it.
    const live = viable_g / weights.reduce((s, w) => s + w.weigh_g, 0);
    const buy_g = (wanting_g.get(speciesId) ?? 0) / live;
    const packs = garden.packs[speciesId] ?? [];
    return {
      speciesId,
      viable_g,
      need_g: viable_g / live,
      shelf_g: drawn.filter((d) => d.speciesId === speciesId).reduce((s, d) => s + d.take_g, 0),
      buy_g,
      packs,
      choice: cheapestPacks(buy_g, packs),
    };
  });
  const open = rows.filter((r) => r.buy_g > 0);
  const cost = open.reduce((s, r) => s + (r.choice?.cost ?? 0), 0);
  const unpriced = open.filter((r) => !r.choice).length;
  const money = (x: number) => `${garden.currency}${x.toFixed(2)}`;
  const setPacks = (speciesId: string, packs: Pack[]) =>
    void run(
      changeGarden(hands, garden.id, 'the packs seed is sold in', (g) => ({
        packs: { ...g.packs, [speciesId]: packs },
      })),
    );
  return (
    <>
      <Answer
        big={
          open.length === 0
            ? 'Nothing to buy'
            : `${money(cost)} for ${open.length} kind${open.length === 1 ? '' : 's'}`
        }
      >
        {open.length === 0
          ? 'The shelf holds all that the planned sowings take.'
          : 'Packs rounded over all beds together, the shelf emptied first, weakest seed before good.'}{' '}
        {unpriced > 0 &&
          `${unpriced} without a pack size yet: say below how they are sold. Prices are your own.`}
      </Answer>
      {rows.map((r) => {
        const sp = speciesOf(r.speciesId);
        return (
          <section key={r.speciesId} className="border-linen border-t py-3">
            <div className="flex flex-wrap items-baseline gap-x-4">
              <h2 className="font-display text-lg font-bold">{sp.name}</h2>
              <span>
                {showMass(r.viable_g, garden.units)} of living seed:{' '}
                {r.shelf_g > 0 &&
                  `${showMass(r.shelf_g, garden.units)} from the shelf as it germinates now, `}
                to buy <b>{r.buy_g > 0 ? showMass(r.buy_g, garden.units) : 'nothing'}</b>
              </span>
            </div>
            {r.choice && r.buy_g > 0 && (
              <p>
                <Packs choice={r.choice} packs={r.packs} />: <b>{money(r.choice.cost)}</b>,{' '}
                {showMass(r.choice.left_g, garden.units)} left over for the next beds.
              </p>
            )}
            {sp.seed.inoculant && (
              <p className="text-bark text-sm">
                Inoculant of the {sp.seed.inoculant.replace('-', ' ')} group: about{' '}
                {showMass(Math.max(0.1, inoculant_g(r.need_g, sp.seed.thousandSeed_g)), garden.units)} of peat
                carrier, on ground that has not borne this group for five years. Coat the day you sow, out of
                the sun.
              </p>
            )}
            <PackList packs={r.packs} onChange={(packs) => setPacks(r.speciesId, packs)} name={sp.name} />
          </section>
        );
      })}
      <OwnOrReady sowings={sowings} />
    </>
  );
}

function Packs({ choice, packs }: { choice: PackChoice; packs: Pack[] }) {
  const { garden } = useGarden();
  return (
    <>
      {choice.counts
        .map((n, i) => (n > 0 ? `${n} × ${showMass(packs[i]!.size_g, garden.units)}` : ''))
        .filter(Boolean)
        .join(' and ')}
    </>
  );
}

const packForm = z.object({
  size: figure(0.01, 1e6, 'A pack weighs more than nothing.'),
  price: figure(0, 1e6, 'A price is nothing or more.'),
});

/** The sizes in which one kind is sold, with a line to add one. */
export function PackList({
  packs,
  onChange,
  name,
}: {
  packs: Pack[];
  onChange(packs: Pack[]): void;
  name: string;
}) {
  const { garden } = useGarden();
  const imperial = garden.units.mass === 'imperial';
  const form = useKeptForm(`pack ${name}`, packForm, { size: '', price: '' }, ({ size, price }) => {
    const size_g = size * (imperial ? G_PER_OZ : 1);
    onChange([...packs, { size_g, price }].sort((a, b) => a.size_g - b.size_g));
    return Promise.resolve(true);
  });
  if (!form) return null;
  return (
    <details className="mt-1">
      <summary className="cursor-pointer text-sm underline">
        {packs.length === 0
          ? 'Say in which packs it is sold'
          : `Sold in ${packs.length} pack size${packs.length === 1 ? '' : 's'}`}
      </summary>
      <ul>
        {packs.map((p, i) => (
          <li key={i} className="flex items-center gap-3">
            {showMass(p.size_g, garden.units)} at {garden.currency}
            {p.price.toFixed(2)}
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              onClick={() => onChange(packs.filter((_, k) => k !== i))}
            >
              Drop
            </button>
          </li>
        ))}
      </ul>
      <form className="grid max-w-xl grid-cols-[1fr_1fr_auto] items-end gap-3" onSubmit={form.onSubmit}>
        <TextField
          label={`Pack of ${name.toLowerCase()}, ${imperial ? 'oz' : 'g'}`}
          decimal
          {...form.field('size')}
        />
        <TextField label="Its price (0 where it is free)" decimal {...form.field('price')} />
        <button
          type="submit"
          className="btn"
          disabled={form.typed.size.trim() === '' || form.typed.price.trim() === ''}
        >
          Add the pack
        </button>
      </form>
    </details>
  );
}
