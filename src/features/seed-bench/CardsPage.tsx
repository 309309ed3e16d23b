import { sownArea_m2 } from '../../questions/weights.ts';
import { useSearchParams } from 'react-router';
import { speciesOf, wayOf } from '../../catalogue/catalogue.ts';
import { portions, throwGroups } from '../../core/seed/weight.ts';
import { showArea, showMass } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showIsoYear } from '../../ui/dates.ts';
import { Page } from '../../ui/parts.tsx';
import { plannedSowings } from '../../questions/needs.ts';

/** Weigh cards: one a bed, one line a throw, kinds apart where their seed sizes part in a bag. To print, or to hold on a phone. */
export default function CardsPage() {
  const { covers, beds, garden } = useGarden();
  const [query] = useSearchParams();
  const wanted = query.get('covers')?.split(',');
  const sowings = plannedSowings(covers, beds).filter((s) => !wanted || wanted.includes(s.cover.id));
  return (
    <Page title="Weigh cards" lead={`${sowings.length} bed${sowings.length === 1 ? '' : 's'}`}>
      <button type="button" className="btn btn-primary no-print mb-4" onClick={() => window.print()}>
        Print the cards
      </button>
      <div className="grid gap-4 md:grid-cols-2">
        {sowings.map((s) => {
          const groups = throwGroups(s.weights.map((w) => speciesOf(w.speciesId).seed.thousandSeed_g));
          const shares = groups.map((g) => g.map((i) => portions(s.weights[i]!.weigh_g, s.cover.throws)));
          return (
            <section
              key={s.cover.id}
              className="border-walnut bg-paper break-inside-avoid border p-4"
              aria-label={`Card for bed ${s.bed.name}`}
            >
              <h2 className="font-display text-2xl font-bold">Bed {s.bed.name}</h2>
              <p>
                {s.name}, {showArea(sownArea_m2(s.cover, s.bed), garden.units)},{' '}
                {wayOf(s.cover.wayId).name.toLowerCase()}; to sow {showIsoYear(s.cover.sowOn)}
              </p>
              <table className="mt-2 w-full text-left">
                <thead>
                  <tr className="border-warp border-b">
                    <th className="pr-3">Throw</th>
                    <th className="pr-3">In one bag</th>
                    <th className="text-right">Weigh</th>
                  </tr>
                </thead>
                <tbody>
                  {Array.from({ length: s.cover.throws }, (_, k) =>
                    groups.map((g, n) => (
                      <tr key={`${k} ${n}`} className={n === 0 ? 'border-linen border-t' : ''}>
                        <td className="pr-3 align-top">
                          {n === 0 ? `${k + 1}, ${k % 2 === 0 ? 'lengthways' : 'crosswise'}` : ''}
                        </td>
                        <td className="pr-3">
                          {g
                            .map(
                              (i, m) =>
                                `${speciesOf(s.weights[i]!.speciesId).name} ${showMass(shares[n]![m]![k]!, garden.units)}`,
                            )
                            .join(' with ')}
                        </td>
                        <td className="text-right text-lg font-bold">
                          {showMass(
                            g.reduce((sum, _, m) => sum + shares[n]![m]![k]!, 0),
                            garden.units,
                          )}
                        </td>
                      </tr>
                    )),
                  )}
                </tbody>
              </table>
              {groups.length > 1 && (
                <p className="text-bark mt-1 text-sm">
                  Bags apart: small seed sinks to the bottom of a mixed one.
                </p>
              )}
            </section>
          );
        })}
      </div>
      {sowings.length === 0 && <p>No planned sowing is ticked. Tick some on the seed bench.</p>}
    </Page>
  );
}
