import { cropOf } from '../../catalogue/catalogue.ts';
import { type PlantBack } from '../../core/plantBack/plantBack.ts';
import { type Remedy } from '../../core/plantBack/remedies.ts';
import { showPerArea, type UnitChoice } from '../../core/units/show.ts';
import { showDay } from '../../ui/dates.ts';

/** Less than a day won is nothing won. */
const WORTH_SAYING_D = 1;

interface Props {
  answer: PlantBack;
  crop: string;
  way: 'transplant' | 'seed';
  noPlastic: boolean;
  units: UnitChoice;
  /** Plans another crop in this one's place. */
  change(cropId: string): void;
}

/** What would bring planting forward, each tried on the same years, with what it costs. */
export function Sooner({ answer, crop, way, noPlastic, units, change }: Props) {
  const won = answer.remedies.filter(
    (r) => r.daysWon >= WORTH_SAYING_D && !(noPlastic && r.id === 'black-film'),
  );
  const instead = won.filter((r) => r.id === 'instead');
  return (
    <section aria-labelledby="sooner">
      <h2 id="sooner" className="font-display text-xl font-bold">
        Sooner?
      </h2>
      {won.length === 0 ? (
        <p>Nothing that was tried on these years wins a day.</p>
      ) : (
        <ul>
          {won
            .filter((r) => r.id !== 'instead')
            .map((r) => (
              <li key={r.id} className="border-linen border-t py-2">
                <h3 className="font-bold">{titleOf(r, crop, way)}</h3>
                <p className="font-semibold">{gain(r)}</p>
                <p className="text-sm">{price(r, answer, units)}</p>
              </li>
            ))}
          {instead.length > 0 && (
            <li className="border-linen border-t py-2">
              <h3 className="font-bold">Another crop now, and {crop} elsewhere</h3>
              {instead.map((r) => (
                <p key={r.cropId} className="mt-1">
                  <b>
                    {cropOf(r.cropId!).name} {showDay(r.readyDay)}
                  </b>
                  ; in time in {Math.round(r.odds * 100)} of 100{' '}
                  <button type="button" className="btn btn-sm" onClick={() => change(r.cropId!)}>
                    Plan {cropOf(r.cropId!).name.toLowerCase()}
                  </button>
                </p>
              ))}
            </li>
          )}
        </ul>
      )}
    </section>
  );
}

function titleOf(r: Remedy, crop: string, way: 'transplant' | 'seed'): string {
  switch (r.id) {
    case 'other-way':
      return way === 'seed' ? `Plants of ${crop} instead of seed` : `Seed of ${crop} instead of plants`;
    case 'rake-off':
      return 'Rake the tops off';
    case 'draw-back':
      return 'Draw the mulch back from a strip, a week before';
    case 'black-film':
      return 'Black film on the strip, two weeks before';
    case 'instead':
      return cropOf(r.cropId!).name ?? '';
  }
}

const gain = (r: Remedy): string =>
  `${Number.isFinite(r.daysWon) ? `${Math.round(r.daysWon)} ${Math.round(r.daysWon) === 1 ? 'day' : 'days'} sooner, ` : ''}${showDay(r.readyDay)}; in time in ${Math.round(r.odds * 100)} of 100`;

function price(r: Remedy, { ending, lies_g_m2 }: PlantBack, units: UnitChoice): string {
  switch (r.id) {
    case 'other-way':
      return 'Plants have to be raised; they are set through what lies.';
    case 'rake-off':
      return `${showPerArea(lies_g_m2.mid, units)} of mulch leaves the bed, with most of its nitrogen${ending.nitrogen_g_m2.mid > 0 ? `, ${showPerArea(ending.nitrogen_g_m2.mid, units)} of it meant for the crop` : ''}. Weeds meet bare ground.`;
    case 'draw-back':
      return '30 to 40 cm of bare ground: weeds come up in it and it dries; close it again when the plants stand.';
    case 'black-film':
      return 'A sheet for the strip, edges held down; it comes off, or is slit and vented, before hot days.';
    case 'instead':
      return '';
  }
}
