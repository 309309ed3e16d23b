import { useState } from 'react';
import { findPlaces, type Place } from '../../catalogue/places.ts';
import { showTemperature, type UnitChoice } from '../../core/units/show.ts';
import { TextField } from '../../ui/fields.tsx';

const regions = new Intl.DisplayNames(['en'], { type: 'region' });
const countryName = (code: string): string => regions.of(code) ?? code;

/** "Zürich, Switzerland". */
export const placeName = (p: Place): string => `${p.name}, ${countryName(p.country)}`;

/** The nearest of the places whose monthly figures Kilim knows, found as it is typed, with or without accents. */
export function PlaceField({
  place,
  choose,
  units,
}: {
  place: Place | null;
  choose(p: Place | null): void;
  units: UnitChoice;
}) {
  const [typed, setTyped] = useState('');
  const found = place ? [] : findPlaces(typed, countryName);
  const temperature = (c: number) => showTemperature(c, units);
  return (
    <div>
      <TextField
        label="Nearest town"
        hint="A town with a climate like yours, or your country."
        value={place ? placeName(place) : typed}
        onChange={(text) => {
          choose(null);
          setTyped(text);
        }}
      />
      {found.length > 0 && (
        <ul className="mt-1 flex flex-wrap gap-2" aria-label="Places">
          {found.map((p) => (
            <li key={p.id}>
              <button type="button" className="btn btn-sm" onClick={() => choose(p)}>
                {placeName(p)}
              </button>
            </li>
          ))}
        </ul>
      )}
      {!place && typed.trim() !== '' && found.length === 0 && (
        <p className="mt-1">No place of that name is known here. Try a larger town, or another way below.</p>
      )}
      {place && (
        <p className="text-bark mt-1">
          About {temperature(Math.max(...place.tmax_c))} on afternoons of the warmest month,{' '}
          {temperature(Math.min(...place.tmin_c))} on nights of the coldest,{' '}
          {temperature(place.coldestNight_c)} in the coldest night of a usual year. Monthly figures are
          approximate; a garden in a valley is colder at night than the town.
        </p>
      )}
    </div>
  );
}
