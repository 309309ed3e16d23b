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
  const { garden, hands, run } = useGarden();
  const { units } = garden;
  const imperial = units.length === 'imperial';
  const [form, setForm] = useDraft(`water ${garden.id}`, {
    by: 'hose' as keyof typeof BY,
    litres: imperial ? '2.5' : '10',
    seconds: '',
    cups: '',
    minutes: '15',
  });
  if (!form) return null;
  const set = (part: Partial<typeof form>) => setForm({ ...form, ...part });
  const area = sownArea_m2(cover, bed);
  const litres = litresFor(FIRST_WATERING_MM, area);
  const w = garden.watering;
  const keep = keepMoist(air_c);
  const number = (t: string) => Number(t.replace(',', '.'));
  const cups = form.cups
    .split(/[;\s]+|,(?=\s)/)
    .filter(Boolean)
    .map((t) => number(t) * (imperial ? MM_PER_IN : 1));
  const cup =
    cups.length >= 3 && cups.every((c) => c >= 0)
      ? cupAnswer({ cups_mm: cups, minutes: number(form.minutes) }, area)
      : undefined;
  const timed =
    number(form.seconds) > 0
      ? ((number(form.litres) * (imperial ? L_PER_GAL : 1)) / number(form.seconds)) * 60
      : undefined;
  const flow = form.by === 'hose' || form.by === 'can' ? timed : cup?.flow_l_min;
  const sense = flow === undefined ? undefined : flowSense(flow);
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
      <details className="mt-2">
        <summary className="cursor-pointer underline">Measure what your water gives</summary>
        <div className="mt-2 grid gap-3 sm:grid-cols-3">
          <SelectField
            label="Watered by"
            value={form.by}
            options={Object.entries(BY) as [keyof typeof BY, string][]}
            onChange={(by) => set({ by })}
          />
          {form.by === 'hose' || form.by === 'can' ? (
            <>
              <TextField
                label={`Bucket, ${imperial ? 'gallons' : 'litres'}`}
                value={form.litres}
                onChange={(l) => set({ litres: l })}
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
                onChange={(c) => set({ cups: c })}
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
        {cup && form.by !== 'hose' && form.by !== 'can' && (
          <p className="mt-2">
            {showRain(cup.mm_h, units)} an hour, the driest quarter gets {Math.round(cup.lowestQuarter * 100)}{' '}
            % of the mean:{' '}
            {cup.uniformity >= 0.8
              ? 'even enough'
              : cup.uniformity >= 0.65
                ? 'uneven: water the dry places by hand'
                : 'too uneven for seed: move it, or use a rose'}
            .
          </p>
        )}
        {sense === 'impossible' && (
          <p role="alert" className="text-madder mt-2 font-semibold">
            {showFlow(flow!, units)} is more than a tap gives ({showFlow(10, units)} to {showFlow(25, units)}
            ). Check the minutes and the cups: nothing is saved.
          </p>
        )}
        {sense === 'trickle' && (
          <p role="alert" className="text-madder mt-2 font-semibold">
            {showFlow(flow!, units)} is a drip. Check the figures: nothing is saved.
          </p>
        )}
        <button
          type="button"
          className="btn mt-2"
          disabled={sense !== 'likely'}
          onClick={() =>
            void run(
              changeGarden(hands, garden.id, 'what the water gives', () => ({
                watering: {
                  by: form.by,
                  flow_l_min: flow!,
                  cups_mm: form.by === 'hose' || form.by === 'can' ? [] : cups,
                  minutes: cup ? number(form.minutes) : 0,
                },
              })),
            )
          }
        >
          Keep this{flow && sense === 'likely' ? `: ${showFlow(flow, units)}` : ''}
        </button>
      </details>
    </section>
  );
}
