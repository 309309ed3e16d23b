import { Link } from 'react-router';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { showArea, showMass, type UnitChoice } from '../../core/units/show.ts';
import { RATE_UNIT_NAMES, rateIn, type RateUnit } from '../../core/units/rate.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { showIso } from '../../ui/dates.ts';
import { SelectField } from '../../ui/fields.tsx';
import { Answer } from '../../ui/parts.tsx';
import { type PlannedSowing } from '../../questions/needs.ts';

/** Every planned sowing with its weights; the ticked ones go onto weigh cards. */
export function ToWeigh({ sowings }: { sowings: PlannedSowing[] }) {
  const { garden } = useGarden();
  const [off, setOff] = useDraft<string[]>(`cards ${garden.id}`, []);
  const [unit, setUnit] = useDraft<RateUnit>(
    'rate-unit',
    garden.units.mass === 'imperial' ? 'oz/100 ft²' : 'g/m²',
  );
  if (sowings.length === 0)
    return (
      <Answer big="Nothing to weigh">
        No sowing is planned. Choose a cover for a gap on the Cloth and its seed comes to this bench.
      </Answer>
    );
  const ticked = sowings.filter((s) => !off?.includes(s.cover.id));
  const rate = unit ?? 'g/m²';
  const tick = (id: string, on: boolean) =>
    setOff(on ? (off ?? []).filter((x) => x !== id) : [...(off ?? []), id]);
  return (
    <>
      <Answer big={weightWords(ticked, garden.units) || 'None ticked'}>
        For {ticked.length} of {sowings.length} planned sowing{sowings.length === 1 ? '' : 's'}. Each weight
        has its working behind it.
      </Answer>
      <div className="mb-3 flex flex-wrap items-end gap-4">
        <div className="w-40">
          <SelectField
            label="Rates in"
            value={rate}
            options={RATE_UNIT_NAMES.map((u) => [u, u] as const)}
            onChange={setUnit}
          />
        </div>
        {ticked.length > 0 && (
          <Link
            className="btn btn-primary"
            to={`/bench-cards?covers=${ticked.map((s) => s.cover.id).join(',')}`}
          >
            Weigh cards for {ticked.length === 1 ? 'this sowing' : `these ${ticked.length} sowings`}
          </Link>
        )}
      </div>
      <p className="mb-3">
        <Link className="underline" to="/sow-day">
          Sow what is due on one walk
        </Link>
      </p>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Planned sowings">
        <table className="w-full text-left">
          <thead>
            <tr className="border-walnut border-b">
              <th className="py-1 pr-3">Card</th>
              <th className="pr-3">Bed</th>
              <th className="pr-3">Sow on</th>
              <th className="pr-3">Ground</th>
              <th className="pr-3">Kind</th>
              <th className="pr-3 text-right">Rate, {rate}</th>
              <th className="pr-3 text-right">On the scale</th>
              <th>Working</th>
            </tr>
          </thead>
          <tbody>
            {sowings.map((s) => (
              <SowingRows
                key={s.cover.id}
                sowing={s}
                rate={rate}
                units={garden.units}
                ticked={!off?.includes(s.cover.id)}
                tick={(on) => tick(s.cover.id, on)}
              />
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

/** What all ticked sowings take of each kind. */
function weightWords(ticked: PlannedSowing[], units: UnitChoice): string {
  const bySpecies = new Map<string, number>();
  for (const s of ticked)
    for (const w of s.weights) bySpecies.set(w.speciesId, (bySpecies.get(w.speciesId) ?? 0) + w.weigh_g);
  return [...bySpecies]
    .map(([id, g]) => `${showMass(g, units)} ${speciesOf(id).name.toLowerCase()}`)
    .join(' + ');
}

/** A sowing in the table, a row for each of its kinds. */
function SowingRows({
  sowing: s,
  rate,
  units,
  ticked,
  tick,
}: {
  sowing: PlannedSowing;
  rate: RateUnit;
  units: UnitChoice;
  ticked: boolean;
  tick(on: boolean): void;
}) {
  return s.weights.map((w, i) => (
    <tr key={w.speciesId} className={i === 0 ? 'border-linen border-t' : ''}>
      <td className="py-1 pr-3">
        {i === 0 && (
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            aria-label={`Card for bed ${s.bed.name}, ${s.name}`}
            checked={ticked}
            onChange={(e) => tick(e.target.checked)}
          />
        )}
      </td>
      <td className="pr-3 font-bold">{i === 0 ? s.bed.name : ''}</td>
      <td className="pr-3 whitespace-nowrap">{i === 0 ? showIso(s.cover.sowOn) : ''}</td>
      <td className="pr-3 whitespace-nowrap">{i === 0 ? showArea(w.area_m2, units) : ''}</td>
      <td className="pr-3">{speciesOf(w.speciesId).name}</td>
      <td className="pr-3 text-right">{Number(rateIn(w.weigh_g / w.area_m2, rate).toPrecision(3))}</td>
      <td className="pr-3 text-right font-bold whitespace-nowrap">{showMass(w.weigh_g, units)}</td>
      <td>
        {i === 0 && (
          <Link className="underline" to={`/cover/${s.cover.id}/seed`}>
            Open
            <span className="sr-only"> the working for bed {s.bed.name}</span>
          </Link>
        )}
      </td>
    </tr>
  ));
}
