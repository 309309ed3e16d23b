import { NavLink } from 'react-router';

const STEPS = [
  ['seed', 'Seed'],
  ['sow', 'Sow'],
  ['look', 'Look'],
  ['terminate', 'End it'],
  ['plant', 'Plant back'],
] as const;

/** The way of one cover through the season, as a row of places. */
export function Steps({ coverId, bedId, bedName }: { coverId: string; bedId: string; bedName: string }) {
  const style = ({ isActive }: { isActive: boolean }) =>
    `py-2 ${isActive ? 'font-bold underline decoration-madder decoration-2 underline-offset-4' : ''}`;
  return (
    <nav
      aria-label="Steps of this cover"
      className="max-sm:runs-on mb-3 flex gap-x-5 whitespace-nowrap max-sm:pr-8 sm:overflow-x-auto"
    >
      <NavLink to={`/bed/${bedId}`} className={style}>
        Bed {bedName}
      </NavLink>
      {STEPS.map(([to, label]) => (
        <NavLink key={to} to={`/cover/${coverId}/${to}`} className={style}>
          {label}
        </NavLink>
      ))}
    </nav>
  );
}
