import {
  FIRST_WATERING_MM,
  cupAnswer,
  flowSense,
  keepMoist,
  litresFor,
  minutesFor,
} from '../../core/watering/watering.ts';
import { saveGarden } from '../../records/verbs/verbs.ts';
import { sownArea_m2 } from '../../ring/asked.ts';
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

/** Millimetres to litres to minutes with the gardener's own hose, can or line. */
export function WaterIn({ cover, bed, air_c }: { cover: Cover; bed: Bed; air_c: number }) {
  const { garden, hands, run } = useGarden();
  const [form, setForm] = useDraft(`water ${garden.id}`, {
    by: 'hose' as keyof typeof BY,
    litres: '10',
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
    .map(number);
  const cup =
    cups.length >= 3 && cups.every((c) => c >= 0)
      ? cupAnswer({ cups_mm: cups, minutes: number(form.minutes) }, area)
      : undefined;
  const timed = number(form.seconds) > 0 ? (number(form.litres) / number(form.seconds)) * 60 : undefined;
  const flow = form.by === 'hose' || form.by === 'can' ? timed : cup?.flow_l_min;
  const sense = flow === undefined ? undefined : flowSense(flow);
  return (
    <section aria-label="Water in" className="max-w-2xl">
      <p className="text-xl">
        {FIRST_WATERING_MM} mm on this ground is <b>{Math.round(litres)} litres</b>
        {w ? (
          <>
            : <b>{Math.round(minutesFor(FIRST_WATERING_MM, area, w.flow_l_min))} minutes</b> with your{' '}
            {BY[w.by]} at {Number(w.flow_l_min.toPrecision(2))} litres a minute.
          </>
        ) : (
          ', or about eleven cans of ten litres on a bed of ten square metres.'
        )}
      </p>
      <p>
        Then {keep.mm} mm {keep.every_d === 1 ? 'every day' : `every ${keep.every_d} days`} without rain until
        most are up. A soft rose, never a jet: it floats seed into drifts. No water on ground that is wet; if
        rain is due tonight, look tomorrow.
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
                label="Bucket, litres"
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
                label="Water in each cup, mm"
                hint="set out all over the bed, e.g. 4; 5; 6; 5"
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
            {cup.mm_h.toFixed(0)} mm an hour, the driest quarter gets {Math.round(cup.lowestQuarter * 100)} %
            of the mean:{' '}
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
            {Math.round(flow!)} litres a minute is more than a tap gives (10 to 25). Check the minutes and the
            cups: nothing is saved.
          </p>
        )}
        {sense === 'trickle' && (
          <p role="alert" className="text-madder mt-2 font-semibold">
            {flow!.toFixed(2)} litres a minute is a drip. Check the figures: nothing is saved.
          </p>
        )}
        <button
          type="button"
          className="btn mt-2"
          disabled={sense !== 'likely'}
          onClick={() =>
            void run(
              saveGarden(
                hands,
                {
                  ...garden,
                  watering: {
                    by: form.by,
                    flow_l_min: flow!,
                    cups_mm: form.by === 'hose' || form.by === 'can' ? [] : cups,
                    minutes: cup ? number(form.minutes) : 0,
                  },
                },
                'what the water gives',
              ),
            )
          }
        >
          Keep this{flow && sense === 'likely' ? `: ${Number(flow.toPrecision(2))} litres a minute` : ''}
        </button>
      </details>
    </section>
  );
}
