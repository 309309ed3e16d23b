import { mixes, species, coverName } from '../../catalogue/catalogue.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showLength, showPerArea } from '../../core/units/show.ts';
import { Page } from '../../ui/parts.tsx';
import { Swatch } from '../../ui/Weave.tsx';

export default function CoversPage() {
  const { garden } = useGarden();
  return (
    <Page title="Covers" lead="What can be sown, with the figures that every answer is computed from.">
      <ul className="grid gap-x-8 gap-y-5 md:grid-cols-2">
        {species.map((s) => (
          <li key={s.id} className="border-linen border-t pt-3">
            <h2 className="font-display flex items-center gap-2 text-lg font-bold">
              <Swatch motif={s.role} /> {s.name} <i className="text-bark text-sm font-normal">{s.latin}</i>
            </h2>
            <p>{s.character}</p>
            <p className="text-bark text-sm">
              {showPerArea(s.seed.rateBroadcastLow_g_m2, garden.units)} to{' '}
              {showPerArea(s.seed.rateBroadcastHigh_g_m2, garden.units)} by hand · stands{' '}
              {showLength(s.growth.heightFlower_m, garden.units)} in flower · hardened plants live to about{' '}
              {Math.round(s.cold.hardened_c)} °C
            </p>
            {s.hazards.length > 0 && (
              <p className="text-sm">
                <b className="text-madder">Caution.</b>{' '}
                {s.hazards.map((h) => `${h.text} (${h.to})`).join(' ')}
              </p>
            )}
            <p className="text-bark text-sm">
              Confidence {s.confidence}. Sources: {s.sources.join(', ')}.
            </p>
          </li>
        ))}
      </ul>
      <h2 className="font-display mt-8 text-xl font-bold">Mixes</h2>
      <ul className="mt-2 grid gap-x-8 gap-y-3 md:grid-cols-2">
        {mixes.map((m) => (
          <li key={m.id} className="border-linen border-t pt-2">
            <b>{m.name}</b> <span className="text-bark">{coverName(m.members)}</span>
            <p>{m.why}</p>
          </li>
        ))}
      </ul>
    </Page>
  );
}
