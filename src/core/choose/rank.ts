import { type Sample } from './choose.ts';

export interface AimStrands {
  id: string;
  /** One to three strands. */
  strands: number;
}

/** Orders samples by how well they serve the aims, times the odds that they are over in time. Changing aims recomputes nothing else. */
export function rankSamples(samples: Sample[], aims: AimStrands[]): { sample: Sample; fit: number }[] {
  const total = aims.reduce((s, a) => s + a.strands, 0);
  return samples
    .map((sample) => {
      const served =
        total > 0
          ? aims.reduce((s, a) => s + a.strands * (sample.serves[a.id] ?? 0), 0) / total
          : sample.serves.hold!;
      const sure = sample.best ? 0.15 + 0.85 * sample.best.odds.inTime : 0.05;
      return { sample, fit: served * sure * (0.3 + 0.7 * sample.stand.stand) };
    })
    .sort((a, b) => b.fit - a.fit);
}
