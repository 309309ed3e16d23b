import { useState } from 'react';
import { species, speciesOf } from '../../catalogue/catalogue.ts';
import { type SpeciesEntry } from '../../catalogue/schema.ts';
import { type Evenness, lostToUnevenness, verdictOf } from '../../core/broadcast/evenness.ts';
import { CAREFUL_HAND, type Hand } from '../../core/broadcast/hand.ts';
import { showLength } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { RangeField, SelectField } from '../../ui/fields.tsx';
import { Answer, Page } from '../../ui/parts.tsx';
import { type Frames } from '../../workers/yard/protocol.ts';
import { Game } from './Game.tsx';
import { LESSONS, type Lesson } from './lessons.ts';
import { type Past, useYard } from './useYard.ts';

const VERDICT = {
  even: 'Even. A spreader does no better.',
  fair: 'Fair: a good stand comes of this.',
  patchy: 'Patchy: weeds will find the thin places.',
  poor: 'Poor: part of the bed stays open.',
} as const;
const BEDS = [
  ['1.2', '1.2 × 8 m', { length_m: 8, width_m: 1.2 }],
  ['0.75', '0.75 × 15 m', { length_m: 15, width_m: 0.75 }],
  ['3', '3 × 10 m', { length_m: 10, width_m: 3 }],
] as const;

/** A place to practise throwing, and to see why two light throws beat one heavy one. */
export default function YardPage() {
  const { garden } = useGarden();
  const [speciesId, setSpecies] = useState('cereal-rye');
  const [bedKey, setBed] = useState<string>('1.2');
  const [passes, setPasses] = useState(2);
  const [hand, setHand] = useState<Hand>(CAREFUL_HAND);
  const [lesson, setLesson] = useState<Lesson>();
  const kind = speciesOf(speciesId);
  const ground = BEDS.find(([k]) => k === bedKey)![2];
  const yard = useYard(ground, kind.seed.thousandSeed_g);
  const rate_g_m2 = (kind.seed.rateBroadcastLow_g_m2 + kind.seed.rateBroadcastHigh_g_m2) / 2;
  const perM2 = (rate_g_m2 / kind.seed.thousandSeed_g) * 1000;
  const total = Math.round(perM2 * ground.length_m * ground.width_m);
  const throwIt = (n = passes, h = hand, many = total) => yard.throwIt(kind.name, n, h, many);
  const begin = (l: Lesson) => {
    setLesson(l);
    setSpecies(l.set.speciesId);
    setPasses(l.set.passes);
    setHand({ ...CAREFUL_HAND, unsteadiness: l.set.unsteadiness, wind_m_s: l.set.wind });
  };
  const shown = yard.evenness && yard.seeds > 0 ? yard.evenness : undefined;

  return (
    <Page title="Throwing yard" lead="A simulated hand and a simulated bed. Nothing here is recorded.">
      <HowItLies evenness={shown} busy={yard.busy} kind={kind} />
      <canvas
        ref={yard.canvas}
        className="bg-linen mt-2 block w-full"
        role="img"
        aria-label={`The bed from above, ${showLength(ground.length_m, garden.units)} by ${showLength(ground.width_m, garden.units)}, ${yard.seeds} seeds on it`}
      />
      <Game
        ground={ground}
        hand={hand}
        total={total}
        passes={passes}
        onClear={yard.clear}
        onCast={(x_m, y_m, n, along) => yard.cast(hand, x_m, y_m, n, along)}
      />
      <div className="border-warp mt-5 grid gap-x-8 gap-y-4 border-t pt-4 lg:grid-cols-2">
        <section aria-label="What if">
          <h2 className="font-display text-lg font-bold">Or let a walk be simulated</h2>
          <div className="mt-2 grid gap-3 sm:grid-cols-2">
            <SelectField
              label="Seed"
              value={speciesId}
              options={species.map((s) => [s.id, s.name] as const)}
              onChange={setSpecies}
            />
            <SelectField
              label="Bed"
              value={bedKey}
              options={BEDS.map(([k, words]) => [k, words] as const)}
              onChange={setBed}
            />
            <RangeField
              label="Throws"
              value={passes}
              shown={passes === 1 ? 'one' : `${passes} crossed`}
              min={1}
              max={8}
              onChange={setPasses}
            />
            <HandFields hand={hand} setHand={setHand} />
          </div>
          <div className="mt-3 flex flex-wrap gap-3">
            <button type="button" className="btn btn-primary" disabled={yard.busy} onClick={() => throwIt()}>
              Throw {total.toLocaleString('en-GB')} seeds
            </button>
            <button
              type="button"
              className="btn"
              disabled={yard.busy}
              onClick={() => throwIt(passes, hand, 100_000)}
            >
              Throw 100 000
            </button>
          </div>
          <DrawnIn frames={yard.frames} />
        </section>
        <section aria-label="Lessons">
          <Lessons
            lesson={lesson}
            begin={begin}
            busy={yard.busy}
            thrown={shown !== undefined}
            throwIt={(l) => throwIt(l.set.passes)}
          />
          <SideBySide past={yard.past} />
        </section>
      </div>
    </Page>
  );
}

/** The verdict on what lies there. */
function HowItLies({
  evenness: e,
  busy,
  kind,
}: {
  evenness: Evenness | undefined;
  busy: boolean;
  kind: SpeciesEntry;
}) {
  if (!e)
    return (
      <Answer big={busy ? 'Throwing…' : 'Throw, and see how it lies'}>
        Choose a lesson, set a walk, or throw by your own hand.
      </Answer>
    );
  const r = ((kind.seed.rateBroadcastLow_g_m2 / kind.seed.thousandSeed_g) * 600) / kind.growth.density50_m2;
  const pct = (share: number) => Math.round(share * 100);
  return (
    <Answer big={VERDICT[verdictOf(e.cv)]}>
      {Math.round(e.mean_m2)} seeds a square metre lie on the bed; from one quarter-metre square to the next
      they differ by <b>{pct(e.cv)} %</b> ({pct(e.leastCv)} % is the least that chance allows).{' '}
      <b>{pct(e.bareShare)} in 100</b> hand-sized squares are bare, {pct(e.lostShare)} in 100 seeds fell
      beside the bed. The stand that follows loses about {Math.max(1, pct(lostToUnevenness(e.cv, r)))} % of
      its bulk to it, and weeds have {pct(e.thinShare)} % of the ground to start in.
    </Answer>
  );
}

const SLIDERS = [
  ['stride_m', 'Stride', 30, 150, 10],
  ['reach_m', 'Reach of a handful', 50, 400, 10],
  ['lane_m', 'Between walking lines', 40, 400, 20],
] as const;

/** What the simulated hand does. */
function HandFields({ hand, setHand }: { hand: Hand; setHand(hand: Hand): void }) {
  const { garden } = useGarden();
  return (
    <>
      <RangeField
        label="Unsteadiness"
        value={Math.round(hand.unsteadiness * 100)}
        shown={hand.unsteadiness < 0.15 ? 'a machine' : hand.unsteadiness < 0.42 ? 'careful' : 'a first day'}
        min={0}
        max={80}
        step={5}
        onChange={(v) => setHand({ ...hand, unsteadiness: v / 100 })}
      />
      {SLIDERS.map(([key, label, min, max, step]) => (
        <RangeField
          key={key}
          label={label}
          value={Math.round(hand[key] * 100)}
          shown={showLength(hand[key], garden.units)}
          min={min}
          max={max}
          step={step}
          onChange={(v) => setHand({ ...hand, [key]: v / 100 })}
        />
      ))}
      <RangeField
        label="Wind"
        value={hand.wind_m_s}
        shown={`${hand.wind_m_s} m/s`}
        min={0}
        max={8}
        onChange={(v) => setHand({ ...hand, wind_m_s: v })}
      />
    </>
  );
}

const DrawnIn = ({ frames }: { frames: Frames | undefined }) =>
  frames && frames.count > 0 ? (
    <p className="text-bark mt-1 text-sm" data-testid="frames">
      Drawn in {frames.count} frames, {frames.median_ms.toFixed(1)} ms apart in the middle,{' '}
      {frames.slowestTenth_ms.toFixed(1)} ms in the slowest tenth.
    </p>
  ) : null;

function Lessons({
  lesson,
  begin,
  busy,
  thrown,
  throwIt,
}: {
  lesson: Lesson | undefined;
  begin(lesson: Lesson): void;
  busy: boolean;
  thrown: boolean;
  throwIt(lesson: Lesson): void;
}) {
  return (
    <>
      <h2 className="font-display text-lg font-bold">Lessons of a minute</h2>
      <ol className="list-decimal pl-5">
        {LESSONS.map((l) => (
          <li key={l.id} className="py-1">
            <button
              type="button"
              className="font-bold underline"
              aria-pressed={lesson?.id === l.id}
              onClick={() => begin(l)}
            >
              {l.title}
            </button>
            {lesson?.id === l.id && (
              <div className="border-madder my-1 border-l-4 pl-3">
                <p>{l.say}</p>
                <button type="button" className="btn btn-sm my-1" disabled={busy} onClick={() => throwIt(l)}>
                  Throw it
                </button>
                {thrown && !busy && <p>{l.see}</p>}
              </div>
            )}
          </li>
        ))}
      </ol>
    </>
  );
}

/** What was thrown before, for comparison. */
function SideBySide({ past }: { past: readonly Past[] }) {
  if (past.length === 0) return null;
  return (
    <table className="mt-3 w-full text-left text-sm">
      <caption className="font-display text-left text-lg font-bold">Side by side</caption>
      <thead>
        <tr className="border-warp border-b">
          <th className="pr-3">Thrown</th>
          <th className="pr-3 text-right">Differs by</th>
          <th className="pr-3 text-right">Bare squares</th>
          <th className="text-right">Beside the bed</th>
        </tr>
      </thead>
      <tbody>
        {past.map((p, i) => (
          <tr key={i} className="border-linen border-b">
            <td className="pr-3">{p.name}</td>
            <td className="pr-3 text-right font-bold">{Math.round(p.evenness.cv * 100)} %</td>
            <td className="pr-3 text-right">{Math.round(p.evenness.bareShare * 100)} %</td>
            <td className="text-right">{Math.round(p.evenness.lostShare * 100)} %</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
