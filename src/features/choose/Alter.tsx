import { type Day } from '../../core/calendar/day.ts';
import { useState } from 'react';
import { methods, species, speciesOf } from '../../catalogue/catalogue.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { type MethodHere } from '../../core/termination/method.ts';
import { showPerArea, type UnitChoice } from '../../core/units/show.ts';
import { showDay } from '../../ui/dates.ts';
import { RangeField, SelectField } from '../../ui/fields.tsx';
import { Odds } from '../../ui/parts.tsx';
import { type Own } from './useOwn.ts';

const MOST_KINDS = 6;

interface Props {
  own: Own;
  setOwn(own: Own): void;
  /** The latest answer for it; null while the first is worked out. */
  sample: Sample | null;
  freeDay: Day;
  plantDay: Day;
  here: MethodHere[];
  units: UnitChoice;
  done(): void;
}

/** Shares, rate, dates and way of ending under the gardener's hand; odds answer while a slider moves. */
export function Alter({ own, setOwn, sample, freeDay, plantDay, here, units, done }: Props) {
  const usable = here.filter((m) => m.missing.length === 0);
  const waits = methods.find((m) => m.id === own.method)?.passes.some((p) => p.kind.startsWith('check'));
  const endDay = own.endDay ?? sample?.best?.startDay;
  return (
    <section className="border-walnut bg-paper mt-3 border-l-4 p-3" aria-label="Alter this sample">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h3 className="font-display text-lg font-bold">Alter it</h3>
        <button type="button" className="btn btn-sm" onClick={done}>
          Take it down
        </button>
      </div>
      <WhatItComesTo sample={sample} units={units} />
      <div className="grid gap-y-2">
        <Kinds own={own} setOwn={setOwn} />
        <RangeField
          label="Seed against the usual rate"
          value={Math.round(own.rateTimes * 100)}
          shown={`${Math.round(own.rateTimes * 100)} %`}
          min={30}
          max={200}
          step={5}
          onChange={(v) => setOwn({ ...own, rateTimes: v / 100 })}
        />
        <RangeField
          label="Sowing day"
          value={own.sowDay}
          shown={showDay(own.sowDay)}
          min={freeDay - 35}
          max={plantDay - 28}
          onChange={(v) => setOwn({ ...own, sowDay: v })}
        />
        <SelectField
          label="Way of ending"
          value={own.method ?? ''}
          options={[['', 'the best at hand'], ...usable.map((m) => [m.id, nameOf(m.id)] as const)]}
          onChange={(v) => setOwn({ ...own, method: v || undefined, endDay: undefined })}
        />
        {own.method && !waits && endDay !== undefined && (
          <RangeField
            label="Begin ending on"
            value={endDay}
            shown={showDay(endDay)}
            min={Math.min(own.sowDay + 30, plantDay - 1)}
            max={plantDay - 1}
            onChange={(v) => setOwn({ ...own, endDay: v })}
          />
        )}
      </div>
    </section>
  );
}

/** The four figures that answer while a slider moves. */
function WhatItComesTo({ sample, units }: Pick<Props, 'sample' | 'units'>) {
  const best = sample?.best;
  return (
    <div className="my-2 grid grid-cols-2 gap-3" aria-live="polite">
      <Live label="Out of the way in time">
        <Odds odds={best?.odds.inTime ?? 0} strong />
      </Live>
      <Live label="Ready">{best ? showDay(best.ready.mid) : 'never'}</Live>
      <Live label="Nitrogen for it">{showPerArea(best?.nitrogen_g_m2.mid ?? 0, units)}</Live>
      <Live label="Weeds held">
        <Odds odds={best?.weedsHeld.mid ?? 0} strong />
      </Live>
    </div>
  );
}

/** The kinds in it: their shares, taken out, or another put in. */
function Kinds({ own, setOwn }: Pick<Props, 'own' | 'setOwn'>) {
  const [adding, setAdding] = useState('');
  const free = species.filter((s) => !own.parts.some((p) => p.speciesId === s.id));
  const others = (id: string) => own.parts.filter((p) => p.speciesId !== id);
  const sum = (parts: Own['parts']) => parts.reduce((all, p) => all + p.share, 0) || 1;
  const put = (parts: Own['parts']) => setOwn({ ...own, parts });
  const share = (id: string, to: number) => {
    const rest = sum(others(id));
    put(
      own.parts.map((p) =>
        p.speciesId === id ? { ...p, share: to } : { ...p, share: (p.share / rest) * (1 - to) },
      ),
    );
  };
  const takeOut = (id: string) => {
    const kept = others(id);
    put(kept.map((p) => ({ ...p, share: p.share / sum(kept) })));
  };
  const add = () => {
    const part = 1 / (own.parts.length + 1);
    put([
      ...own.parts.map((p) => ({ ...p, share: p.share * (1 - part) })),
      { speciesId: adding, share: part },
    ]);
    setAdding('');
  };
  return (
    <>
      {own.parts.length > 1 &&
        own.parts.map((p) => (
          <div key={p.speciesId} className="flex items-end gap-2">
            <div className="flex-1">
              <RangeField
                label={`Share of ${speciesOf(p.speciesId).name.toLowerCase()}`}
                value={Math.round(p.share * 100)}
                shown={`${Math.round(p.share * 100)} %`}
                min={5}
                max={95}
                onChange={(v) => share(p.speciesId, v / 100)}
              />
            </div>
            <button
              type="button"
              className="btn btn-ghost btn-sm"
              aria-label={`Take ${speciesOf(p.speciesId).name.toLowerCase()} out`}
              onClick={() => takeOut(p.speciesId)}
            >
              out
            </button>
          </div>
        ))}
      {own.parts.length < MOST_KINDS && (
        <div className="flex items-end gap-2">
          <div className="flex-1">
            <SelectField
              label="Add a kind"
              value={adding}
              options={[['', 'choose'], ...free.map((s) => [s.id, s.name] as const)]}
              onChange={setAdding}
            />
          </div>
          <button type="button" className="btn" disabled={!adding} onClick={add}>
            Add
          </button>
        </div>
      )}
    </>
  );
}

const nameOf = (id: string): string => methods.find((m) => m.id === id)?.name ?? id;

function Live({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div>
      <p className="text-bark text-sm">{label}</p>
      <div className="font-display text-xl font-bold">{children}</div>
    </div>
  );
}
