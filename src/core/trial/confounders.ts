/** What the records tell of one plot beside its treatment; null where they tell nothing. */
export interface PlotKnown {
  treatment: number;
  sownOn: string | null;
  /** Lots that its seed came from. */
  lots: readonly string[] | null;
  /** Seed that was used, g/m2. */
  rate_g_m2: number | null;
  /** Day on which its ending began. */
  endedFrom: string | null;
}

export type ConfounderKind = 'sown' | 'seed' | 'rate' | 'ended';

/** Something that goes with a treatment and is not the treatment: what it was there, and what it was on the control. */
export interface Confounder {
  kind: ConfounderKind;
  treatment: number;
  /** ISO dates, lot ids joined by commas, or g/m2, as found on the plots. */
  here: string[];
  control: string[];
}

/** Rates closer than this, as a share, are the same hand throwing twice. */
const RATE_APART = 0.15;

/**
 * Answers: beside the treatment, what differed between treated plots and control? Named only where no plot of the one is like any of the other, so that a
 * stray difference on one plot is not taken for one that goes with the treatment.
 */
export function confoundersOf(plots: readonly PlotKnown[]): Confounder[] {
  const treatments = [...new Set(plots.map((p) => p.treatment))].filter((t) => t !== 0).sort((a, b) => a - b);
  const of = (treatment: number, tell: (p: PlotKnown) => string | null) => [
    ...new Set(plots.flatMap((p) => (p.treatment === treatment ? (tell(p) ?? []) : []))),
  ];
  return treatments.flatMap((treatment) => {
    const apart = (kind: ConfounderKind, tell: (p: PlotKnown) => string | null): Confounder[] => {
      const here = of(treatment, tell).sort();
      const control = of(0, tell).sort();
      return here.length > 0 && control.length > 0 && !here.some((x) => control.includes(x))
        ? [{ kind, treatment, here, control }]
        : [];
    };
    const rates = (t: number) =>
      plots.flatMap((p) => (p.treatment === t && p.rate_g_m2 !== null ? [p.rate_g_m2] : []));
    const [mine, theirs] = [rates(treatment), rates(0)];
    const thrown =
      mine.length > 0 &&
      theirs.length > 0 &&
      (Math.min(...mine) > Math.max(...theirs) * (1 + RATE_APART) ||
        Math.max(...mine) * (1 + RATE_APART) < Math.min(...theirs));
    return [
      ...apart('sown', (p) => p.sownOn),
      ...apart('seed', (p) => p.lots && [...p.lots].sort().join(',')),
      ...(thrown
        ? [{ kind: 'rate' as const, treatment, here: mine.map(String), control: theirs.map(String) }]
        : []),
      ...apart('ended', (p) => p.endedFrom),
    ];
  });
}
