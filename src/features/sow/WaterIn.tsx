import { changeGarden } from '../../records/commands/change.ts';
import {
  FIRST_WATERING_MM,
  cupAnswer,
  flowSense,
  keepMoist,
  litresFor,
  minutesFor,
} from '../../core/watering/watering.ts';
import { L_PER_GAL, MM_PER_IN, showFlow, showRain, showVolume } from '../../core/units/show.ts';
import { sownArea_m2 } from '../../questions/weights.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import type { Bed, Cover, Garden } from '../../records/types.ts';
import { SelectField, TextField } from '../../ui/fields.tsx';

const BY: Record<NonNullable<Garden['watering']>['by'], string> = {
  hose: 'hose with a rose',
  can: 'watering can',
  line: 'perforated line',
  sprinkler: 'sprinkler',
};

/** A usual watering can. */
const CAN_L = 10;

/** Millimetres to litres to minutes with the gardener's own hose, can or line. */
export function WaterIn({ cover, bed, air_c }: { cover: Cover; bed: Bed; air_c: number }) {
  const { garden } = useGarden();
  const { units, watering: w } = garden;
  const area = sownArea_m2(cover, bed);
  const litres = litresFor(FIRST_WATERING_MM, area);
  const keep = keepMoist(air_c);
  return (
    <section aria-label="Water in" className="max-w-2xl">
      <p className="text-xl">
        {showRain(FIRST_WATERING_MM, units)} on this ground is <b>{showVolume(litres, units)}</b>
        {w ? (
          <>
            : <b>{Math.round(minutesFor(FIRST_WATERING_MM, area, w.flow_l_min))} minutes</b> with your{' '}
            {BY[w.by]} at {showFlow(w.flow_l_min, units)}.
          </>
        ) : (
          `, about ${Math.ceil(litres / CAN_L)} cans of ${showVolume(CAN_L, units)}.`
        )}
      </p>
      <p>
        Then {showRain(keep.mm, units)} {keep.every_d === 1 ? 'every day' : `every ${keep.every_d} days`}{' '}
        without rain until most are up. A soft rose, never a jet: it floats seed into drifts. No water on
        ground that is wet; if rain is due tonight, look tomorrow.
      </p>
      <Measured area_m2={area} />
    </section>
  );
}

type By = keyof typeof BY;
/** Fewer cups tell nothing of how evenly water falls. */
const LEAST_CUPS = 3;
const EVEN = 0.8;
const UNEVEN = 0.65;
const number = (t: string): number => Number(t.replace(',', '.'));

/** What was measured, as it is typed, and the flow it comes to. */
function useMeasured(area_m2: number) {
  const { garden } = useGarden();
  const imperial = garden.units.length === 'imperial';
  const [form, setForm] = useDraft(`water ${garden.id}`, {
    by: 'hose' as By,
    litres: imperial ? '2.5' : '10',
    seconds: '',
    cups: '',
    minutes: '15',
  });
  if (!form) return undefined;
  const timed = form.by === 'hose' || form.by === 'can';
  const cups = form.cups
    .split(/[;\s]+|,(?=\s)/)
    .filter(Boolean)
    .map((t) => number(t) * (imperial ? MM_PER_IN : 1));
  const cup =
    !timed && cups.length >= LEAST_CUPS && cups.every((c) => c >= 0)
      ? cupAnswer({ cups_mm: cups, minutes: number(form.minutes) }, area_m2)
      : undefined;
  const litres = number(form.litres) * (imperial ? L_PER_GAL : 1);
  const bucket = number(form.seconds) > 0 ? (litres / number(form.seconds)) * 60 : undefined;
  const flow = timed ? bucket : cup?.flow_l_min;
  return {
    form,
    set: (part: Partial<typeof form>) => setForm({ ...form, ...part }),
    imperial,
    timed,
    cups,
    cup,
    flow,
    sense: flow === undefined ? undefined : flowSense(flow),
  };
}
type OfWater = NonNullable<ReturnType<typeof useMeasured>>;

/** A bucket and a clock, or cups set out over the bed; kept once it can be true. */
function Measured({ area_m2 }: { area_m2: number }) {
  const { garden, hands, run } = useGarden();
  const { units } = garden;
  const m = useMeasured(area_m2);
  if (!m) return null;
  const { form, cup, flow, sense } = m;
  const keep = () =>
    void run(
      changeGarden(hands, garden.id, 'what the water gives', () => ({
        watering: {
          by: form.by,
          flow_l_min: flow!,
          cups_mm: m.timed ? [] : m.cups,
          minutes: cup ? number(form.minutes) : 0,
        },
      })),
    );
  return (
    <details className="mt-2">
      <summary className="cursor-pointer underline">Measure what your water gives</summary>
      <Fields {...m} />
      {cup && (
        <p className="mt-2">
          {showRain(cup.mm_h, units)} an hour, the driest quarter gets {Math.round(cup.lowestQuarter * 100)} %
          of the mean: {evenWords(cup.uniformity)}.
        </p>
      )}
      {sense === 'impossible' && (
        <p role="alert" className="text-madder mt-2 font-semibold">
          {showFlow(flow!, units)} is more than a tap gives ({showFlow(10, units)} to {showFlow(25, units)}).
          Check the minutes and the cups: nothing is saved.
        </p>
      )}
      {sense === 'trickle' && (
        <p role="alert" className="text-madder mt-2 font-semibold">
          {showFlow(flow!, units)} is a drip. Check the figures: nothing is saved.
        </p>
      )}
      <button type="button" className="btn mt-2" disabled={sense !== 'likely'} onClick={keep}>
        Keep this{flow && sense === 'likely' ? `: ${showFlow(flow, units)}` : ''}
      </button>
    </details>
  );
}

const evenWords = (uniformity: number): string =>
  uniformity >= EVEN
    ? 'even enough'
    : uniformity >= UNEVEN
      ? 'uneven: water the dry places by hand'
      : 'too uneven for seed: move it, or use a rose';

function Fields({ form, set, imperial, timed }: OfWater) {
  return (
    <div className="mt-2 grid gap-3 sm:grid-cols-3">
      <SelectField
        label="Watered by"
        value={form.by}
        options={Object.entries(BY) as [By, string][]}
        onChange={(by) => set({ by })}
      />
      {timed ? (
        <>
          <TextField
            label={`Bucket, ${imperial ? 'gallons' : 'litres'}`}
            value={form.litres}
            onChange={(litres) => set({ litres })}
            decimal
          />
          <TextField
            label="Full after, seconds"
            value={form.seconds}
            onChange={(seconds) => set({ seconds })}
            decimal
          />
        </>
      ) : (
        <>
          <TextField
            label={`Water in each cup, ${imperial ? 'inches' : 'mm'}`}
            hint={`set out all over the bed, e.g. ${imperial ? '0.2; 0.25; 0.2; 0.3' : '4; 5; 6; 5'}`}
            value={form.cups}
            onChange={(cups) => set({ cups })}
          />
          <TextField
            label="After minutes"
            value={form.minutes}
            onChange={(minutes) => set({ minutes })}
            decimal
          />
        </>
      )}
    </div>
  );
}
