import { useCallback, useEffect, useRef, useState } from 'react';
import { species, speciesOf } from '../../catalogue/catalogue.ts';
import { type Evenness, lostToUnevenness, verdictOf } from '../../core/broadcast/evenness.ts';
import { CAREFUL_HAND, type Hand } from '../../core/broadcast/hand.ts';
import { crossedPortions } from '../../core/broadcast/walk.ts';
import { showLength } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { RangeField, SelectField } from '../../ui/fields.tsx';
import { Answer, Page } from '../../ui/parts.tsx';
import { Yard } from '../../workers/yard/client.ts';
import { type Frames } from '../../workers/yard/protocol.ts';
import { Game } from './Game.tsx';
import { LESSONS, type Lesson } from './lessons.ts';

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
/** A walk is drawn over this long; at once where motion is reduced. */
const WALK_S = 6;
const KEPT = 6;

interface Past {
  name: string;
  evenness: Evenness;
}

/** A place to practise throwing, and to see why two light throws beat one heavy one. */
export default function YardPage() {
  const { garden } = useGarden();
  const [speciesId, setSpecies] = useState('cereal-rye');
  const [bedKey, setBed] = useState<string>('1.2');
  const [passes, setPasses] = useState(2);
  const [hand, setHand] = useState<Hand>(CAREFUL_HAND);
  const [evenness, setEvenness] = useState<Evenness>();
  const [seeds, setSeeds] = useState(0);
  const [frames, setFrames] = useState<Frames>();
  const [past, setPast] = useState<Past[]>([]);
  const [lesson, setLesson] = useState<Lesson>();
  const [busy, setBusy] = useState(false);
  const yard = useRef<Yard>(undefined);
  const bed = useRef<HTMLCanvasElement>(null);
  const name = useRef('');
  const luck = useRef(1);
  const kind = speciesOf(speciesId);
  const ground = BEDS.find(([k]) => k === bedKey)![2];
  const rate_g_m2 = (kind.seed.rateBroadcastLow_g_m2 + kind.seed.rateBroadcastHigh_g_m2) / 2;
  const perM2 = (rate_g_m2 / kind.seed.thousandSeed_g) * 1000;
  const total = Math.round(perM2 * ground.length_m * ground.width_m);

  const canvas = useCallback((element: HTMLCanvasElement | null) => {
    if (!element || yard.current) return;
    bed.current = element;
    yard.current = new Yard(element, (m) => {
      setEvenness(m.evenness);
      setSeeds(m.seeds);
      if (m.type === 'done') {
        setBusy(false);
        setFrames(m.frames);
        setPast((p) => [{ name: name.current, evenness: m.evenness }, ...p].slice(0, KEPT));
      }
    });
  }, []);
  useEffect(
    () => () => {
      yard.current?.close();
      yard.current = undefined;
    },
    [],
  );
  const clear = useCallback(() => {
    yard.current?.tell({ type: 'ground', ground, seed_mg: kind.seed.thousandSeed_g, colour: '#3c2a20' });
    setEvenness(undefined);
    setSeeds(0);
  }, [ground, kind]);
  useEffect(clear, [clear]);

  const throwIt = (n = passes, h = hand, many = total) => {
    clear();
    setBusy(true);
    luck.current += 1;
    name.current = `${kind.name}, ${n === 1 ? 'one throw' : `${n} throws crossed`}${h.wind_m_s > 0 ? `, wind ${h.wind_m_s} m/s` : ''}`;
    // The buttons stand below the bed; on a phone it would be out of sight.
    bed.current?.scrollIntoView({ block: 'center' });
    const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    yard.current?.tell({
      type: 'run',
      portions: crossedPortions(many, n),
      hand: h,
      luck: luck.current,
      seconds: still ? 0 : WALK_S,
    });
  };
  const begin = (l: Lesson) => {
    setLesson(l);
    setSpecies(l.set.speciesId);
    setPasses(l.set.passes);
    setHand({ ...CAREFUL_HAND, unsteadiness: l.set.unsteadiness, wind_m_s: l.set.wind });
  };
  const shown = evenness && seeds > 0 ? evenness : undefined;
  const r = ((kind.seed.rateBroadcastLow_g_m2 / kind.seed.thousandSeed_g) * 600) / kind.growth.density50_m2;

  return (
    <Page title="Throwing yard" lead="A simulated hand and a simulated bed. Nothing here is recorded.">
      {shown ? (
        <Answer big={VERDICT[verdictOf(shown.cv)]}>
          {Math.round(shown.mean_m2)} seeds a square metre lie on the bed; from one quarter-metre square to
          the next they differ by <b>{Math.round(shown.cv * 100)} %</b> ({Math.round(shown.leastCv * 100)} %
          is the least that chance allows). <b>{Math.round(shown.bareShare * 100)} in 100</b> hand-sized
          squares are bare, {Math.round(shown.lostShare * 100)} in 100 seeds fell beside the bed. The stand
          that follows loses about {Math.max(1, Math.round(lostToUnevenness(shown.cv, r) * 100))} % of its
          bulk to it, and weeds have {Math.round(shown.thinShare * 100)} % of the ground to start in.
        </Answer>
      ) : (
        <Answer big={busy ? 'Throwing…' : 'Throw, and see how it lies'}>
          Choose a lesson, set a walk, or throw by your own hand.
        </Answer>
      )}
      <canvas
        ref={canvas}
        className="bg-linen mt-2 block w-full"
        role="img"
        aria-label={`The bed from above, ${showLength(ground.length_m, garden.units)} by ${showLength(ground.width_m, garden.units)}, ${seeds} seeds on it`}
      />
      <Game
        ground={ground}
        hand={hand}
        total={total}
        passes={passes}
        onClear={clear}
        onCast={(x_m, y_m, n, along) =>
          yard.current?.tell({ type: 'cast', hand, x_m, y_m, seeds: n, along, luck: ++luck.current })
        }
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
            <RangeField
              label="Unsteadiness"
              value={Math.round(hand.unsteadiness * 100)}
              shown={
                hand.unsteadiness < 0.15 ? 'a machine' : hand.unsteadiness < 0.42 ? 'careful' : 'a first day'
              }
              min={0}
              max={80}
              step={5}
              onChange={(v) => setHand({ ...hand, unsteadiness: v / 100 })}
            />
            <RangeField
              label="Stride"
              value={Math.round(hand.stride_m * 100)}
              shown={showLength(hand.stride_m, garden.units)}
              min={30}
              max={150}
              step={10}
              onChange={(v) => setHand({ ...hand, stride_m: v / 100 })}
            />
            <RangeField
              label="Reach of a handful"
              value={Math.round(hand.reach_m * 100)}
              shown={showLength(hand.reach_m, garden.units)}
              min={50}
              max={400}
              step={10}
              onChange={(v) => setHand({ ...hand, reach_m: v / 100 })}
            />
            <RangeField
              label="Between walking lines"
              value={Math.round(hand.lane_m * 100)}
              shown={showLength(hand.lane_m, garden.units)}
              min={40}
              max={400}
              step={20}
              onChange={(v) => setHand({ ...hand, lane_m: v / 100 })}
            />
            <RangeField
              label="Wind"
              value={hand.wind_m_s}
              shown={`${hand.wind_m_s} m/s`}
              min={0}
              max={8}
              onChange={(v) => setHand({ ...hand, wind_m_s: v })}
            />
          </div>
          <div className="mt-3 flex flex-wrap gap-3">
            <button type="button" className="btn btn-primary" disabled={busy} onClick={() => throwIt()}>
              Throw {total.toLocaleString('en-GB')} seeds
            </button>
            <button
              type="button"
              className="btn"
              disabled={busy}
              onClick={() => throwIt(passes, hand, 100_000)}
            >
              Throw 100 000
            </button>
          </div>
          {frames && frames.count > 0 && (
            <p className="text-bark mt-1 text-sm" data-testid="frames">
              Drawn in {frames.count} frames, {frames.median_ms.toFixed(1)} ms apart in the middle,{' '}
              {frames.slowestTenth_ms.toFixed(1)} ms in the slowest tenth.
            </p>
          )}
        </section>
        <section aria-label="Lessons">
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
                    <button
                      type="button"
                      className="btn btn-sm my-1"
                      disabled={busy}
                      onClick={() => throwIt(l.set.passes)}
                    >
                      Throw it
                    </button>
                    {shown && !busy && <p>{l.see}</p>}
                  </div>
                )}
              </li>
            ))}
          </ol>
          {past.length > 0 && (
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
          )}
        </section>
      </div>
    </Page>
  );
}
