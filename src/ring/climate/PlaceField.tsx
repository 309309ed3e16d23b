import { findPlaces, type Place } from '../../catalogue/places.ts';
import { showTemperature, type UnitChoice } from '../../core/units/show.ts';
import { Finder } from '../../ui/Finder.tsx';

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
  const temperature = (c: number) => showTemperature(c, units);
  return (
    <div>
      <Finder
        label="Nearest town"
        hint="A town with a climate like yours, or your country."
        chosen={place && placeName(place)}
        find={(typed) => findPlaces(typed, countryName)}
        nameOf={placeName}
        idOf={(p) => p.id}
        choose={choose}
        nothing="No place of that name is known here. Try a larger town, or another way below."
      />
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
