import { membersOf, sowingWays, species, speciesOf, usualWay } from '../../catalogue/catalogue.ts';
import { liveShare, USUAL_SEED } from '../../core/seed/weight.ts';
import { sensibleRange_g_m2, senseOfRate, type RateSense } from '../../core/seed/sense.ts';
import { rateFrom_g_m2, rateIn, RATE_UNIT_NAMES } from '../../core/units/rate.ts';
import { G_PER_OZ, showArea, showLength, showMass, showPerArea } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { SelectField, TextField } from '../../ui/fields.tsx';
import { Answer } from '../../ui/parts.tsx';

const SENSE: Record<RateSense, string> = {
  'far-too-thin': 'Far too thin: no stand comes of it.',
  thin: 'Thin: it closes late, and weeds get in between.',
  sensible: 'Sensible.',
  thick: 'Thick: it closes a little sooner and costs more; the stand is no heavier in the end.',
  wasteful: 'Wasteful: over twice what the ground can carry. Keep half for another bed.',
};

/** "I have this packet: is it enough, and what rate is that?" and what else would do. */
export function Bags() {
  const { garden, ground: beds } = useGarden();
  const imperial = garden.units.mass === 'imperial';
  const [form, setForm] = useDraft(`bag ${garden.id}`, {
    speciesId: 'crimson-clover',
    grams: imperial ? '7' : '200',
    bedId: beds[0]?.id ?? '',
    wayId: usualWay.id,
  });
  if (!form) return null;
  const set = (part: Partial<typeof form>) => setForm({ ...form, ...part });
  const bed = beds.find((b) => b.id === form.bedId) ?? beds[0];
  const way = sowingWays.find((w) => w.id === form.wayId) ?? sowingWays[0]!;
  const grams = Number(form.grams.replace(',', '.')) * (imperial ? G_PER_OZ : 1);
  const alone = (id: string) => membersOf([{ speciesId: id, share: 1 }]);
  const members = alone(form.speciesId);
  const range = sensibleRange_g_m2(members, way.rateFactor);
  const live_g = grams * liveShare(USUAL_SEED);
  const enough = grams > 0 && bed;
  const rate = enough ? live_g / bed.area_m2 : 0;
  const sense = enough ? senseOfRate(rate, members, way.rateFactor) : undefined;
  const reaches_m2 = live_g / ((range.low + range.high) / 2);
  const same = speciesOf(form.speciesId);
  const others = enough
    ? species
        .filter((s) => s.role === same.role && s.season === same.season && s.id !== same.id)
        .filter((s) => senseOfRate(rate, alone(s.id), way.rateFactor) === 'sensible')
        .map((s) => s.name.toLowerCase())
        .slice(0, 5)
    : [];
  return (
    <>
      {enough && sense ? (
        <Answer big={`${showPerArea(grams / bed.area_m2, garden.units)} on bed ${bed.name}`}>
          <b>{SENSE[sense]}</b> Sensible for {same.name.toLowerCase()} {way.name.toLowerCase()} is{' '}
          {showPerArea(range.low, garden.units)} to {showPerArea(range.high, garden.units)} of living seed; of
          packet seed about nine tenths live.
        </Answer>
      ) : (
        <Answer big="How heavy is the packet?">Enter its weight, and the bed it is for.</Answer>
      )}
      <div className="grid max-w-4xl gap-4 sm:grid-cols-4">
        <SelectField
          label="Kind"
          value={form.speciesId}
          options={species.map((s) => [s.id, s.name] as const)}
          onChange={(speciesId) => set({ speciesId })}
        />
        <TextField
          label={`In the packet, ${imperial ? 'ounces' : 'grams'}`}
          value={form.grams}
          onChange={(g) => set({ grams: g })}
          decimal
        />
        <SelectField
          label="For bed"
          value={bed?.id ?? ''}
          options={beds.map((b) => [b.id, `${b.name}, ${showArea(b.area_m2, garden.units)}`] as const)}
          onChange={(bedId) => set({ bedId })}
        />
        <SelectField
          label="Sown"
          value={way.id}
          options={sowingWays.filter((w) => w.seedNeeded).map((w) => [w.id, w.name] as const)}
          onChange={(wayId) => set({ wayId })}
        />
      </div>
      {enough && (
        <>
          <h2 className="font-display mt-5 text-lg font-bold">That is</h2>
          <ul className="flex flex-wrap gap-x-6">
            {RATE_UNIT_NAMES.map((u) => (
              <li key={u}>
                <b>{Number(rateIn(grams / bed.area_m2, u).toPrecision(3))}</b> {u}
              </li>
            ))}
          </ul>
          <h2 className="font-display mt-5 text-lg font-bold">
            What {showMass(grams, garden.units)} can cover
          </h2>
          <p>
            At a middling rate <b>{showArea(reaches_m2, garden.units)}</b>
            {bed.width_m && bed.length_m
              ? `: ${reaches_m2 >= bed.area_m2 ? `all of bed ${bed.name} and ${showArea(reaches_m2 - bed.area_m2, garden.units)} more` : `${showLength(reaches_m2 / bed.width_m, garden.units)} of the ${showLength(bed.length_m, garden.units)} of bed ${bed.name}. Mark the end, or sow all of it at ${Math.round((reaches_m2 / bed.area_m2) * 100)} % of the rate`}`
              : ''}
            .
          </p>
          {sense !== 'sensible' && (
            <p>
              {others.length > 0
                ? `The same weight on this bed would be sensible for ${others.join(', ')}.`
                : 'No kind of the same sort makes a stand of this weight on this bed: mix it into another cover, or sow less ground.'}
            </p>
          )}
          <p className="text-bark mt-3 max-w-2xl text-sm">
            Quoted rates are mostly for drills in fields.{' '}
            {Number(rateIn(range.low, 'lb/acre').toPrecision(2))} to{' '}
            {Number(rateIn(range.high, 'lb/acre').toPrecision(2))} lb/acre by hand on a bed is not careless:
            seed thrown and raked comes up less surely than drilled seed. One g/m² is{' '}
            {rateFrom_g_m2(1, 'g/m²') * 10} kg/ha.
          </p>
        </>
      )}
    </>
  );
}
