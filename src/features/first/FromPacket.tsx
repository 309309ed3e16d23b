import { useState } from 'react';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { findKinds } from '../../catalogue/find.ts';
import { places } from '../../catalogue/places.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { PlaceField } from '../../ring/climate/PlaceField.tsx';
import { showDay } from '../../ui/dates.ts';
import { DateField, TextField } from '../../ui/fields.tsx';
import { Finder } from '../../ui/Finder.tsx';
import { sharesOf, type Typed } from './said.ts';
import { Ask } from './Ask.tsx';
import { type First, PACKETS } from './typed.ts';

/** Where: a town, with its frosts as they come out, corrected where the gardener knows better. */
export function Where({ first }: { first: First }) {
  const { typed: t, set, frosts, units } = first;
  const [correcting, setCorrecting] = useState(false);
  const shown = (doy: number | undefined) =>
    doy === undefined ? 'none in most years' : showDay(dayOf('2024-01-01') + doy);
  const iso = (doy: number | undefined) => (doy === undefined ? '' : isoOf(dayOf('2024-01-01') + doy));
  const frosty = frosts?.lastFrost_doy !== undefined || frosts?.firstFrost_doy !== undefined;
  return (
    <Ask title="Where do you garden?">
      <PlaceField
        place={places.find((p) => p.id === t.placeId) ?? null}
        choose={(p) => set({ placeId: p?.id ?? null, lastFrost: '', firstFrost: '' })}
        units={units}
      />
      {t.placeId && (
        <div aria-live="polite">
          {!frosts ? (
            <p className="text-bark">Making your years…</p>
          ) : !frosty ? (
            <p>No frost in a usual year.</p>
          ) : (
            <p>
              Last frost about <b>{shown(frosts.lastFrost_doy)}</b>, first about{' '}
              <b>{shown(frosts.firstFrost_doy)}</b>.{' '}
              <button type="button" className="underline" onClick={() => setCorrecting(!correcting)}>
                {correcting ? 'Done' : 'Not so in my garden'}
              </button>
            </p>
          )}
          {correcting && frosts && frosty && (
            <div className="mt-2 grid gap-3 sm:grid-cols-2">
              <DateField
                label="Last frost of a usual spring"
                hint="The year does not matter."
                value={t.lastFrost || iso(frosts.lastFrost_doy)}
                onChange={(lastFrost) => set({ lastFrost })}
              />
              <DateField
                label="First frost of a usual autumn"
                value={t.firstFrost || iso(frosts.firstFrost_doy)}
                onChange={(firstFrost) => set({ firstFrost })}
              />
            </div>
          )}
        </div>
      )}
    </Ask>
  );
}

/** What is printed on the packet, as it is printed. */
export function PacketFields({ t, set }: { t: Typed; set(part: Partial<Typed>): void }) {
  const [more, setMore] = useState(false);
  const shares = sharesOf(t.parts);
  const sum = shares.ok ? shares.value.reduce((a, b) => a + b, 0) : 100;
  const adding = t.parts.length === 0 || more;
  return (
    <Ask title="What is in the packet?">
      {t.parts.map((p, i) => (
        <div key={p.speciesId} className="flex flex-wrap items-center gap-3">
          <span className="grow font-semibold">{speciesOf(p.speciesId).name}</span>
          {t.parts.length > 1 && (
            <label className="flex items-center gap-2">
              <span className="sr-only">{speciesOf(p.speciesId).name}, </span>
              <input
                className="input w-20!"
                inputMode="decimal"
                value={p.printed}
                placeholder={shares.ok ? String(Math.round(shares.value[i]!)) : ''}
                onChange={(e) =>
                  set({ parts: t.parts.map((x, k) => (k === i ? { ...x, printed: e.target.value } : x)) })
                }
              />
              % by weight
            </label>
          )}
          <button
            type="button"
            className="btn btn-ghost"
            onClick={() => set({ parts: t.parts.filter((_, k) => k !== i) })}
          >
            Take out<span className="sr-only"> {speciesOf(p.speciesId).name}</span>
          </button>
        </div>
      ))}
      {t.parts.length > 1 && Math.abs(sum - 100) > 1 && (
        <p className="text-bark">These come to {Math.round(sum)}; Kilim takes them in proportion.</p>
      )}
      {adding ? (
        <Finder
          label={t.parts.length === 0 ? 'Kind' : 'Another kind in it'}
          hint="As it stands on the packet, in English or Latin."
          chosen={null}
          find={(typed) => findKinds(typed).filter((s) => !t.parts.some((p) => p.speciesId === s.id))}
          first={t.parts.length === 0 ? PACKETS.map(speciesOf) : []}
          nameOf={(s) => s.name}
          idOf={(s) => s.id}
          choose={(s) => {
            if (!s) return;
            setMore(false);
            set({ parts: [...t.parts, { speciesId: s.id, printed: '' }] });
          }}
          nothing="That kind is not known here. Take the nearest of its family, sown at the same time of year."
        />
      ) : (
        <button type="button" className="btn self-start" onClick={() => setMore(true)}>
          It is a mix: add a kind
        </button>
      )}
      {t.parts.length > 0 && (
        <div className="grid gap-3 sm:grid-cols-3">
          <TextField
            label="It weighs"
            hint={t.imperial ? '4 oz, 1/4 lb' : '100 g, 0.5 kg'}
            value={t.weight}
            onChange={(weight) => set({ weight })}
          />
          <TextField
            label="Rate on it, or ground it is for"
            hint={t.imperial ? '2 oz/100 sq ft, or 50 sq ft' : '15 g/m², or 10 m²'}
            value={t.rate}
            onChange={(rate) => set({ rate })}
          />
          <TextField
            label="Price, if you like"
            decimal
            value={t.price}
            onChange={(price) => set({ price })}
          />
          {t.parts.length > 1 && (
            <TextField label="Name of the mix" value={t.mixName} onChange={(mixName) => set({ mixName })} />
          )}
        </div>
      )}
    </Ask>
  );
}
