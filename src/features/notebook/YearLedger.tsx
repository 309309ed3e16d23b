import { useMemo, useState } from 'react';
import { findWay, methods } from '../../catalogue/catalogue.ts';
import { type Carried, hoursByWay, ledgerOf } from '../../core/years/ledger.ts';
import { type GardenYear } from '../../core/years/years.ts';
import { showDepth, showMass, showPerArea, type UnitChoice } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { SelectField } from '../../ui/fields.tsx';
import { carriedMass } from '../../ui/movedWords.ts';
import { showMinutes } from '../../ui/workWords.ts';

const loosens = (wayId: string) => findWay(wayId)?.loosens_cm;

/** What came onto the beds and left them in a year, and the hours that ending covers took, by bed and by way. */
export function YearLedger({ years }: { years: readonly GardenYear[] }) {
  const { garden, beds, notes, covers, lots } = useGarden();
  const [name, setName] = useState(years.at(-1)?.name ?? '');
  const year = years.find((y) => y.name === name) ?? years.at(-1);
  const all = useMemo(() => {
    const price = (speciesId: string, lotId: string | null) =>
      lots.find((l) => l.id === lotId)?.free ? 0 : garden.seedPrices[speciesId];
    return year ? ledgerOf(beds, notes, covers, year, price, loosens) : [];
  }, [year, beds, notes, covers, lots, garden.seedPrices]);
  const ways = useMemo(() => (year ? hoursByWay(beds, covers, year) : []), [year, beds, covers]);
  if (!year) return null;
  const rows = all.filter((r) => r.on.kg + r.off.kg + r.minutes + r.seedCost > 0 || r.turned);
  return (
    <section aria-labelledby="ledger" className="mt-6">
      <div className="flex flex-wrap items-end gap-4">
        <h2 id="ledger" className="font-display text-xl font-bold">
          On and off the beds, and the work
        </h2>
        <div className="w-32">
          <SelectField
            label="Year"
            value={year.name}
            options={years.map((y) => [y.name, y.name] as const)}
            onChange={setName}
          />
        </div>
      </div>
      {rows.length === 0 ? (
        <p className="mt-2">
          Nothing was weighed or timed in {year.name}. Compost, mulch, harvest and hay are written under What
          happened; minutes with each step of an ending.
        </p>
      ) : (
        <Ledger rows={rows} untimed={all.reduce((sum, r) => sum + r.untimed, 0)} />
      )}
      {ways.length > 0 && (
        <>
          <h3 className="mt-4 font-bold">By way of ending</h3>
          <ul>
            {ways.map((w) => (
              <li key={w.method}>
                {methods.find((m) => m.id === w.method)?.name ?? w.method}: {w.beds}{' '}
                {w.beds === 1 ? 'bed' : 'beds'}, {w.minutes > 0 ? showMinutes(w.minutes) : 'not timed'}
                {w.minutesPer100m2 !== undefined && `; ${Math.round(w.minutesPer100m2)} min on 100 m²`}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

type Row = ReturnType<typeof ledgerOf>[number];

/** The year in a sentence, and bed by bed. */
function Ledger({ rows, untimed }: { rows: Row[]; untimed: number }) {
  const { garden, beds } = useGarden();
  const { units } = garden;
  const money = (x: number) => `${garden.currency}${x.toFixed(2)}`;
  const sum = (of: (r: Row) => number) => rows.reduce((all, r) => all + of(r), 0);
  const [on, off] = [sum((r) => r.on.nitrogen_g), sum((r) => r.off.nitrogen_g)];
  const [minutes, seedCost] = [sum((r) => r.minutes), sum((r) => r.seedCost)];
  return (
    <>
      <p className="mt-2">
        <b>
          {[
            on > 0 && `${showMass(on, units)} of nitrogen on`,
            off > 0 && `${showMass(off, units)} off`,
            minutes > 0 && `${showMinutes(minutes)} of work`,
            seedCost > 0 && `${money(seedCost)} of seed`,
          ]
            .filter(Boolean)
            .join(', ')}
        </b>{' '}
        as far as it was weighed and timed
        {untimed > 0 && `; ${untimed} ${untimed === 1 ? 'step has' : 'steps have'} no time`}.
      </p>
      <div className="max-sm:runs-on mt-2 overflow-x-auto" tabIndex={0} role="region" aria-label="The ledger">
        <table className="text-left">
          <thead>
            <tr>
              <th className="pr-6">Bed</th>
              <th className="pr-6">On</th>
              <th className="pr-6">Off</th>
              <th className="pr-6">Nitrogen, balance</th>
              <th className="pr-6">Work</th>
              <th className="pr-6">Seed</th>
              <th>Turned</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.bedId} className="border-linen border-t">
                <td className="pr-6 font-semibold">{beds.find((b) => b.id === r.bedId)?.name}</td>
                <td className="pr-6">{carried(r.on, units)}</td>
                <td className="pr-6">{carried(r.off, units)}</td>
                <td className="pr-6">{r.on.kg + r.off.kg > 0 ? balance(r, units) : '–'}</td>
                <td className="pr-6">{r.minutes > 0 ? showMinutes(r.minutes) : '–'}</td>
                <td className="pr-6">{r.seedCost > 0 ? money(r.seedCost) : '–'}</td>
                <td>{turnedWords(r, units)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="text-bark mt-2 max-w-2xl">
        Nitrogen by what such things usually hold, a third more or less; what legumes fixed and what rain
        washed out is not in it.
      </p>
    </>
  );
}

const carried = (c: Carried, units: UnitChoice): string =>
  c.kg > 0
    ? `${carriedMass(c.kg, units)} (${carriedMass(c.dry_kg, units)} dry), ${showMass(c.nitrogen_g, units)} nitrogen`
    : '–';

const balance = ({ balance_g_m2: g }: Row, units: UnitChoice): string =>
  `${g > 0 ? '+' : ''}${showPerArea(g, units)}`;

const turnedWords = ({ turned }: Row, units: UnitChoice): string =>
  turned
    ? `${showDepth(turned.depth_cm * 10, units)} deep, ${turned.times === 1 ? 'once' : `${turned.times} times`}`
    : 'not';
