import { changeGarden } from '../../records/commands/change.ts';
import { useState } from 'react';
import { Link } from 'react-router';
import { type Failure } from '../../core/result/result.ts';
import { parseSize_m } from '../../core/units/length.ts';
import { showAreaImperial, showAreaMetric, showLength } from '../../core/units/show.ts';
import { LARGEST, textOf } from '../../records/files/bytes.ts';
import { type ReadBed, bedsFromCsv, bedsFromGeoJson } from '../../records/files/bedsFile.ts';
import { freshBed } from '../../questions/fresh.ts';
import { useGarden } from '../../ring/garden.tsx';
import { removeBed, saveBeds } from '../../records/verbs/verbs.ts';
import type { Bed } from '../../records/types.ts';
import { failureWords } from '../../ui/failureWords.ts';
import { Field, Page } from '../../ui/parts.tsx';
import { type Change, Rules } from './Rules.tsx';
import { Things } from './Things.tsx';
import { SeasonWeather } from './SeasonWeather.tsx';

/** Beds, tools, house rules and climate of the garden. */
export default function GroundPage({ tell }: { tell(f: Failure): void }) {
  const { garden, beds, hands, run } = useGarden();
  const [name, setName] = useState('');
  const [size, setSize] = useState('');
  const [texture, setTexture] = useState<Bed['soil']['texture']>('loam');
  const [fertility, setFertility] = useState<Bed['soil']['fertility']>('fair');
  const [problem, setProblem] = useState('');
  const unit = garden.units.length === 'imperial' ? 'ft' : 'm';
  const parsed = size.trim() ? parseSize_m(size, unit) : null;

  const bedOf = (b: ReadBed, order: number): Bed =>
    freshBed({ ...b, id: hands.newId(), gardenId: garden.id, order, soil: { texture, fertility } });
  const change: Change = (label, patch, joins) =>
    void run(changeGarden(hands, garden.id, label, patch, joins));

  async function add() {
    if (!name.trim()) return setProblem('Give the bed a name or a number.');
    if (beds.some((b) => b.name === name.trim()))
      return setProblem(`There is a bed "${name.trim()}" already. Choose another name.`);
    if (!parsed) return setProblem('Write the size, for example 1.2 m x 8 m.');
    if (!parsed.ok) return setProblem(failureWords(parsed.failure));
    setProblem('');
    const { width_m, length_m } = parsed.value;
    const bed = bedOf(
      {
        name: name.trim(),
        block: '',
        width_m,
        length_m,
        area_m2: width_m * length_m,
        ring: null,
        place: null,
      },
      beds.length,
    );
    if (await run(saveBeds(hands, [bed]))) {
      setName('');
      setSize('');
    }
  }
  async function bring(file: File | undefined) {
    if (!file) return;
    const text = await textOf(file, LARGEST.table);
    if (!text.ok) return tell(text.failure);
    const read = /\.(geo)?json$/i.test(file.name)
      ? bedsFromGeoJson(text.value)
      : bedsFromCsv(text.value, unit);
    if (!read.ok) return tell(read.failure);
    const taken = read.value.find((b) => beds.some((x) => x.name === b.name));
    if (taken)
      return tell({ code: 'bed-twice', where: 'the file and the garden', facts: { name: taken.name } });
    await run(
      saveBeds(
        hands,
        read.value.map((b, i) => bedOf(b, beds.length + i)),
      ),
    );
  }

  return (
    <Page
      title={`Ground of ${garden.name}`}
      lead={garden.siteFrom}
      aside={<Rules garden={garden} beds={beds} change={change} />}
    >
      <section aria-labelledby="beds-title">
        <h2 id="beds-title" className="font-display text-xl font-bold">
          Beds
        </h2>
        {beds.length === 0 && <p>No beds yet. Add the first one below; any mix of units will do.</p>}
        <ul className="mt-2">
          {beds.map((b) => (
            <li key={b.id} className="border-linen flex flex-wrap items-center gap-x-4 border-t py-2">
              <svg width={90} height={22} aria-hidden="true">
                <rect
                  x={1}
                  y={1}
                  width={Math.min(88, 8 + Math.sqrt(b.area_m2) * 8)}
                  height={20}
                  fill="#e9dcc6"
                  stroke="#7a6552"
                />
              </svg>
              <Link className="font-display font-bold underline" to={`/bed/${b.id}`}>
                {b.name}
              </Link>
              <span>
                {b.width_m && b.length_m
                  ? `${showLength(b.width_m, garden.units)} × ${showLength(b.length_m, garden.units)}, `
                  : ''}
                {showAreaMetric(b.area_m2)}, {showAreaImperial(b.area_m2)}
              </span>
              <span className="text-bark">
                {b.soil.texture}, {b.soil.fertility}
                {b.block && `, ${b.block}`}
              </span>
              <button
                type="button"
                className="btn btn-ghost btn-xs ml-auto"
                onClick={() => void run(removeBed(hands, b))}
              >
                Take bed {b.name} away
              </button>
            </li>
          ))}
        </ul>
        <form
          className="border-warp mt-4 grid gap-3 border-t pt-4 sm:grid-cols-2"
          onSubmit={(e) => {
            e.preventDefault();
            void add();
          }}
        >
          <Field label="Name of the bed">
            {(id) => (
              <input id={id} className="input" value={name} onChange={(e) => setName(e.target.value)} />
            )}
          </Field>
          <Field
            label="Width x length"
            hint={
              parsed?.ok
                ? `${showAreaMetric(parsed.value.width_m * parsed.value.length_m)} or ${showAreaImperial(parsed.value.width_m * parsed.value.length_m)}`
                : '1.2 m x 8 m, or 4 ft 6 in x 20 ft, or 45 in x 50 ft'
            }
            error={problem || undefined}
          >
            {(id) => (
              <input
                id={id}
                className="input"
                value={size}
                onChange={(e) => {
                  setProblem('');
                  setSize(e.target.value);
                }}
              />
            )}
          </Field>
          <Field label="Soil">
            {(id) => (
              <select
                id={id}
                className="select"
                value={texture}
                onChange={(e) => setTexture(e.target.value as typeof texture)}
              >
                <option value="sand">sandy</option>
                <option value="loam">loam</option>
                <option value="clay">clay</option>
              </select>
            )}
          </Field>
          <Field label="How well fed">
            {(id) => (
              <select
                id={id}
                className="select"
                value={fertility}
                onChange={(e) => setFertility(e.target.value as typeof fertility)}
              >
                <option value="lean">lean</option>
                <option value="fair">fair</option>
                <option value="rich">rich, much compost</option>
              </select>
            )}
          </Field>
          <button type="submit" className="btn btn-primary justify-self-start">
            Add this bed
          </button>
        </form>
        <div className="mt-4 max-w-md">
          <Field
            label="Or bring many beds in at once"
            hint="CSV with columns name and size (or width and length), or GeoJSON polygons."
          >
            {(id) => (
              <input
                id={id}
                type="file"
                className="file-input"
                accept=".csv,.json,.geojson"
                onChange={(e) => void bring(e.target.files?.[0])}
              />
            )}
          </Field>
        </div>
      </section>
      <Things garden={garden} change={change} newId={hands.newId} />
      <SeasonWeather />
    </Page>
  );
}
