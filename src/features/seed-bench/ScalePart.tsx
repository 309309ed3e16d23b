import { useEffect, useRef, useState } from 'react';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { portions } from '../../core/seed/weight.ts';
import { G_PER_OZ, showMass, type UnitChoice } from '../../core/units/show.ts';
import { type Reading, simulatedScale } from '../../ring/scale.ts';
import { useGarden } from '../../ring/garden.tsx';
import { SelectField } from '../../ui/fields.tsx';
import { type PlannedSowing } from '../../questions/needs.ts';

/** Within this share of the target, or two tenths of a gram, a portion is right. */
const TOLERANCE = 0.03;
const LEAST_TOLERANCE_G = 0.2;
const NEAR = 0.85;

/** A kitchen scale shown live beside the weight that it should show. */
export function ScalePart({ sowings }: { sowings: PlannedSowing[] }) {
  const { garden } = useGarden();
  const [reading, setReading] = useState<Reading | null>(null);
  const [lost, setLost] = useState(false);
  const [target, setTarget] = useState('');
  useEffect(
    () =>
      simulatedScale.listen(
        (r) => {
          setReading(r);
          setLost(false);
        },
        () => setLost(true),
      ),
    [],
  );
  const options = sowings.flatMap((s) =>
    s.weights.flatMap((w) =>
      portions(w.weigh_g, s.cover.throws).map((g, k) => ({
        key: `${s.cover.id} ${w.speciesId} ${k}`,
        words: `Bed ${s.bed.name}, ${speciesOf(w.speciesId).name.toLowerCase()}, throw ${k + 1}: ${showMass(g, garden.units)}`,
        grams: g,
      })),
    ),
  );
  const chosen = options.find((o) => o.key === target) ?? options[0];
  const grams = reading?.grams ?? 0;
  return (
    <>
      <p className="border-madder mt-3 max-w-2xl border-l-4 py-1 pl-3">
        <b>This scale is simulated.</b> Nothing is weighed. It stands where a real scale will, and shows how
        weighing goes.
      </p>
      {options.length > 0 && (
        <div className="mt-3 max-w-xl">
          <SelectField
            label="Weighing"
            value={chosen!.key}
            options={options.map((o) => [o.key, o.words] as const)}
            onChange={setTarget}
          />
        </div>
      )}
      {lost ? (
        <p role="status" className="font-display mt-6 text-2xl font-bold">
          The scale does not answer. Weigh by your own scale:{' '}
          {chosen ? showMass(chosen.grams, garden.units) : 'the weight stands on the card'}.
        </p>
      ) : (
        <>
          <p className="font-display mt-6 text-7xl font-bold tabular-nums" data-testid="scale-shows">
            {shown(grams, garden.units)}
            {reading && !reading.steady && <span className="text-bark text-2xl"> settling</span>}
          </p>
          {chosen && <Target target_g={chosen.grams} reading={reading} units={garden.units} />}
          <div className="mt-5 flex flex-wrap gap-3">
            <button type="button" className="btn btn-primary" onClick={() => void simulatedScale.tare()}>
              Tare: the bowl counts as nothing
            </button>
            <PourButton />
            {[50, 10, 1].map((g) => (
              <button key={g} type="button" className="btn" onClick={() => void simulatedScale.pour(g)}>
                Pour {g} g
              </button>
            ))}
            <button type="button" className="btn" onClick={() => void simulatedScale.pour(-5)}>
              Take 5 g back
            </button>
            <button type="button" className="btn" onClick={() => void simulatedScale.empty()}>
              Empty the pan
            </button>
          </div>
        </>
      )}
    </>
  );
}

const shown = (g: number, units: UnitChoice): string =>
  units.mass === 'imperial' ? `${(g / G_PER_OZ).toFixed(2)} oz` : `${g.toFixed(1)} g`;

function Target({
  target_g,
  reading,
  units,
}: {
  target_g: number;
  reading: Reading | null;
  units: UnitChoice;
}) {
  const grams = reading?.grams ?? 0;
  const tolerance = Math.max(LEAST_TOLERANCE_G, target_g * TOLERANCE);
  const off = grams - target_g;
  const words =
    Math.abs(off) <= tolerance
      ? 'Right. Next portion.'
      : off > 0
        ? `Take ${shown(off, units)} back.`
        : grams < target_g * NEAR
          ? `Pour on: ${shown(-off, units)} to go.`
          : 'Pour a little more.';
  const at = Math.max(0, Math.min(1.2, grams / target_g)) / 1.2;
  return (
    <div className="max-w-xl">
      <div className="bg-linen relative mt-2 h-6">
        <div
          className={`h-6 ${Math.abs(off) <= tolerance ? 'bg-leaf' : off > 0 ? 'bg-madder' : 'bg-warp'}`}
          style={{ width: `${at * 100}%` }}
        />
        <div
          className="border-walnut absolute top-[-4px] h-8 border-x-2"
          style={{
            left: `${((1 - tolerance / target_g) / 1.2) * 100}%`,
            width: `${((2 * tolerance) / target_g / 1.2) * 100}%`,
          }}
        />
      </div>
      <p role="status" className="font-display mt-2 text-2xl font-bold">
        {words}
      </p>
      <p className="text-bark">
        Meant {shown(target_g, units)}, right within {shown(tolerance, units)}.
      </p>
    </div>
  );
}

const POUR_EVERY_MS = 150;
const POUR_G = 2.5;

/** Held, it pours. */
function PourButton() {
  const timer = useRef<ReturnType<typeof setInterval>>(undefined);
  const stop = () => clearInterval(timer.current);
  const start = () => {
    stop();
    void simulatedScale.pour(POUR_G);
    timer.current = setInterval(() => void simulatedScale.pour(POUR_G), POUR_EVERY_MS);
  };
  useEffect(() => stop, []);
  return (
    <button
      type="button"
      className="btn"
      onPointerDown={start}
      onPointerUp={stop}
      onPointerLeave={stop}
      onKeyDown={(e) => e.key === ' ' && !e.repeat && start()}
      onKeyUp={stop}
      onBlur={stop}
    >
      Hold to pour
    </button>
  );
}
