import { climates } from '../../catalogue/catalogue.ts';
import { Check, DateField, SelectField, TextField } from '../../ui/fields.tsx';
import { shiftHemisphere } from '../../core/site/site.ts';
import { IMPERIAL, METRIC } from '../../core/units/show.ts';
import { rainWords } from '../../ui/rainWords.ts';
import { PlaceField } from './PlaceField.tsx';
import { NormalsFields } from './NormalsFields.tsx';
import { type Climate, type Way } from './useClimate.ts';
import { WeatherFile } from '../WeatherFile.tsx';

const NAMES: Record<Way, string> = {
  place: 'Name the nearest town',
  questions: 'Answer four questions',
  pattern: 'Pick a climate',
  normals: 'Type monthly normals',
  file: 'Give a weather file',
};

/** Which way the climate is told, and the fields of that way. */
export function ClimateFields({ climate: c, imperial }: { climate: Climate; imperial: boolean }) {
  const unit = imperial ? '°F' : '°C';
  const pattern = climates.find((p) => p.id === c.patternId);
  // A pattern is told where it comes from; in the other half of the world it has the same seasons six months on.
  const turned =
    pattern !== undefined && c.latitude.trim() !== '' && Number(c.latitude) < 0 !== pattern.latitude_deg < 0;
  const rain = pattern ? (turned ? shiftHemisphere(pattern.rain_mm) : pattern.rain_mm) : [];
  return (
    <>
      <fieldset>
        <legend className="font-semibold">How should Kilim learn your climate?</legend>
        <div className="mt-1 flex flex-wrap gap-4">
          {(Object.keys(NAMES) as Way[]).map((w) => (
            <label key={w} className="flex items-center gap-2">
              <input
                type="radio"
                name="way"
                className="radio radio-sm"
                checked={c.way === w}
                onChange={() => c.setWay(w)}
              />{' '}
              {NAMES[w]}
            </label>
          ))}
        </div>
      </fieldset>
      {c.way === 'place' ? (
        <PlaceField place={c.place} choose={c.setPlace} units={imperial ? IMPERIAL : METRIC} />
      ) : (
        <TextField
          label="Latitude in degrees"
          hint="North is plus, south is minus: -37.5. Any map shows it."
          decimal
          value={c.latitude}
          onChange={c.setLatitude}
        />
      )}
      {c.way === 'questions' && (
        <div className="grid gap-4 sm:grid-cols-2">
          <DateField
            label="Last frost of a usual spring"
            hint="The year does not matter."
            disabled={c.noFrost}
            value={c.lastFrost}
            onChange={c.setLastFrost}
          />
          <DateField
            label="First frost of a usual autumn"
            disabled={c.noFrost}
            value={c.firstFrost}
            onChange={c.setFirstFrost}
          />
          <TextField
            label={`Coldest night of a usual winter, ${unit}`}
            decimal
            value={c.coldest}
            onChange={c.setColdest}
          />
          <TextField
            label={`A usual summer afternoon, ${unit}`}
            decimal
            value={c.afternoon}
            onChange={c.setAfternoon}
          />
          <Check label="Frost does not come in a usual year" checked={c.noFrost} onChange={c.setNoFrost} />
        </div>
      )}
      {c.way === 'pattern' && (
        <SelectField
          label="Climate"
          hint={pattern && `${pattern.character} ${rainWords(rain, imperial ? IMPERIAL : METRIC)}`}
          value={c.patternId}
          options={climates.map((p) => [p.id, p.name] as const)}
          onChange={c.setPatternId}
        />
      )}
      {c.way === 'normals' && (
        <>
          <NormalsFields
            normals={c.normals}
            setNormals={c.setNormals}
            temperature={unit}
            rain={imperial ? 'inches' : 'mm'}
          />
          <TextField
            label={`Coldest night of a usual winter, ${unit}`}
            hint="The mean of each year's coldest night. Leave it empty if you do not know it."
            decimal
            value={c.coldest}
            onChange={c.setColdest}
          />
          <Check label="Near the sea or a large lake" checked={c.coastal} onChange={c.setCoastal} />
        </>
      )}
      {c.way === 'file' && (
        <WeatherFile
          onDays={c.setDays}
          hint="A year or more, one row a day: date, lowest, highest, rain. Gaps are allowed."
        />
      )}
    </>
  );
}
