import { methods } from '../../catalogue/catalogue.ts';
import { type Member } from '../../core/stand/species.ts';
import { coveringHeat } from '../../core/termination/sheet.ts';
import { leftAlive } from '../../core/termination/left.ts';
import { takeApart } from '../../core/termination/method.ts';
import { methodsHere } from '../../questions/methods.ts';
import { useGarden } from '../../ring/garden.tsx';

const STAGES = [
  [1.2, 'leafy'],
  [2.2, 'bud, boot'],
  [3, 'in flower'],
  [4, 'milk, pod'],
] as const;
/** A middling stand, g/m2. */
const STAND_G_M2 = 250;

/** What each way that is at hand kills at each stage, and what a sheet would need. */
export function HardToKill({ members }: { members: Member[] }) {
  const { garden } = useGarden();
  const here = methodsHere(garden).filter(
    (m) => m.missing.length === 0 && takeApart(m).kills.length > 0 && takeApart(m).covering === null,
  );
  const sheet = Math.max(...members.map((m) => coveringHeat(m.species, 'sheet')));
  const killed = (id: string, stage: number) => {
    const parts = takeApart(here.find((m) => m.id === id)!);
    const left = members.reduce(
      (sum, m) => sum + m.share * leftAlive(parts.kills, m.species, stage, STAND_G_M2, 1),
      0,
    );
    return Math.min(99, Math.round((1 - left) * 100));
  };
  return (
    <section className="mt-6">
      <h2 className="font-display text-xl font-bold">How hard to kill with the tools at hand</h2>
      <div className="mt-2 overflow-x-auto">
        <table className="table max-w-3xl">
          <thead>
            <tr>
              <th scope="col">Way</th>
              {STAGES.map(([, label]) => (
                <th key={label} scope="col">
                  {label}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {here.map((m) => (
              <tr key={m.id}>
                <th scope="row" className="font-normal">
                  {methods.find((x) => x.id === m.id)!.name}
                </th>
                {STAGES.map(([stage, label]) => {
                  const pct = killed(m.id, stage);
                  return (
                    <td key={label} className={pct >= 90 ? 'font-bold' : pct < 50 ? 'text-madder' : ''}>
                      {pct} of 100
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="text-bark text-sm">
        Plants of 100 killed by a competent hand. Nine of ten or more counts as dead. Under an opaque sheet it
        needs {Math.round(sheet)} days at a mean of 20 °C, twice that at 10 °C. More tools under Ground.
      </p>
    </section>
  );
}
