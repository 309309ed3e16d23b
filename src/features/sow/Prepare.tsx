import { changeBed } from '../../records/commands/change.ts';
import { changeWay } from '../../records/commands/seed.ts';
import { useEffect, useState } from 'react';
import { membersOf, methods, sowingWays, wayOf, usualWay } from '../../catalogue/catalogue.ts';
import { wayShare } from '../../core/stand/emergence.ts';
import { showDepth, showVolume } from '../../core/units/show.ts';
import { nurseStraw, soilCover_l } from '../../core/watering/watering.ts';
import { methodsHere } from '../../questions/methods.ts';
import { sownArea_m2 } from '../../questions/weights.ts';
import { useGarden } from '../../ring/garden.tsx';
import type { Bed, Cover } from '../../records/types.ts';
import { SelectField } from '../../ui/fields.tsx';

interface Props {
  cover: Cover;
  /** Which steps: those before the throw, or those after it. */
  when: 'before' | 'after';
  locked: boolean;
  prepared: string[];
  onTick(step: string, done: boolean): Promise<boolean>;
}

/** Ordered steps with their reasons. What comes after the throw stays locked until all is thrown. */
export function Checklist({ cover, when, locked, prepared: saved, onTick }: Props) {
  // A tick shows at once and stays until the record has it; the write follows within the blink of an eye, or is refused and named.
  const [pending, setPending] = useState<Record<string, boolean>>({});
  const prepared = (step: string) => pending[step] ?? saved.includes(step);
  useEffect(() => {
    // A tick that the record has by now waits no longer; those that came after it do.
    setPending((now) => {
      const open = Object.entries(now).filter(([step, done]) => saved.includes(step) !== done);
      return open.length === Object.keys(now).length ? now : Object.fromEntries(open);
    });
  }, [pending, saved]);
  const tick = (step: string, done: boolean) => {
    setPending((now) => ({ ...now, [step]: done }));
    void onTick(step, done).then((kept) => {
      if (!kept) setPending((now) => Object.fromEntries(Object.entries(now).filter(([s]) => s !== step)));
    });
  };
  const way = wayOf(cover.wayId);
  const steps = way.steps.filter((s) => s.when === when);
  return (
    <ol className="max-w-2xl">
      {steps.map((s, i) => {
        const id = `${way.id} ${s.id}`;
        const field = `step-${way.id}-${s.id}`;
        const done = prepared(id);
        const ready = !locked && steps.slice(0, i).every((b) => prepared(`${way.id} ${b.id}`));
        return (
          <li key={s.id} className="border-linen border-t py-2">
            <div className={`flex items-start gap-3 ${ready || done ? '' : 'text-bark'}`}>
              <input
                id={field}
                type="checkbox"
                className="checkbox mt-1"
                checked={done}
                disabled={!done && !ready}
                onChange={(e) => tick(id, e.target.checked)}
              />
              <div>
                <label htmlFor={field} className="block text-lg font-bold">
                  {s.do}
                </label>
                {s.why}
              </div>
            </div>
          </li>
        );
      })}
      {locked && (
        <li className="text-bark py-1">Opens when all portions are thrown: seed first, then this.</li>
      )}
    </ol>
  );
}

/** Way of sowing, what is on the ground, how deep, and what the way does to emergence. */
export function Ways({ cover, bed }: { cover: Cover; bed: Bed }) {
  const { garden, hands, run } = useGarden();
  const members = membersOf(cover.parts);
  const way = wayOf(cover.wayId);
  const area = sownArea_m2(cover, bed);
  const mm = (x: number) => showDepth(x, garden.units);
  const straw = nurseStraw(area);
  return (
    <div className="max-w-2xl">
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField
          label="Way of sowing"
          value={cover.wayId}
          options={sowingWays.map((w) => [w.id, w.name] as const)}
          onChange={(wayId) => void run(changeWay(hands, cover, wayId))}
        />
        <SelectField<Bed['surface']>
          label="On the ground now"
          value={bed.surface}
          options={[
            ['clean', 'clean, or the last crop'],
            ['weedy', 'young weeds'],
            ['sod', 'living sod'],
          ]}
          onChange={(surface) => void run(changeBed(hands, bed, () => ({ surface })))}
        />
      </div>
      <ul className="mt-3">
        {members.map((m) => {
          const raked = wayShare(m.species, usualWay);
          const here = wayShare(m.species, way);
          return (
            <li key={m.species.id}>
              <b>{m.species.name}</b>: {mm(m.species.seed.depthMin_mm)} to {mm(m.species.seed.depthMax_mm)}{' '}
              deep. Of 100 living seeds about <b>{Math.round(here * 100)}</b> come up this way
              {way.id === usualWay.id ? '' : `, against ${Math.round(raked * 100)} raked in`}.
              {here < 0.2 && <b className="text-madder"> Too few: this seed wants covering.</b>}
            </li>
          );
        })}
      </ul>
      {way.straw && (
        <p className="mt-2">
          Straw for this ground: <b>{straw.kilograms.toFixed(1)} kg</b>, about{' '}
          {straw.bales < 0.75 ? 'half a small bale' : `${Math.ceil(straw.bales)} small bales`}, shaken out{' '}
          {mm(straw.depth_mm)} deep ({showVolume(straw.litres, garden.units)} loose). Hay carries seed of its
          own.
        </p>
      )}
      {way.id === 'surface' && (
        <p className="mt-2">
          Or hide it under sieved soil or compost, {mm(3)} deep:{' '}
          <b>{showVolume(soilCover_l(area, 3), garden.units)}</b>.
        </p>
      )}
    </div>
  );
}

/** Seed never goes into living sod. What kills it first, with this garden's tools. */
export function SodRefused({ bed }: { bed: Bed }) {
  const { garden, hands, run } = useGarden();
  const here = methodsHere(garden, bed);
  const routes = methods.filter((m) => ['sheet', 'cardboard', 'dig', 'pigs'].includes(m.id));
  return (
    <section role="alert" className="border-madder my-4 max-w-2xl border-l-4 pl-4">
      <p className="font-display text-2xl font-bold">Not into living sod</p>
      <p>Grass that is rooted already takes light and water before any seedling can. Kill it first:</p>
      <ul className="list-disc pl-5">
        {routes.map((m) => {
          const missing = here.find((h) => h.id === m.id)?.missing ?? [];
          return (
            <li key={m.id}>
              <b>{m.name}</b>: {m.how}{' '}
              {missing.length > 0 && <span className="text-bark">Here: {missing.join(', ')}.</span>}
            </li>
          );
        })}
      </ul>
      <button
        type="button"
        className="btn mt-2"
        onClick={() => void run(changeBed(hands, bed, () => ({ surface: 'clean' })))}
      >
        The sod is dead and gone
      </button>
    </section>
  );
}
