/** The colour of the water as an angler says it. */
export const QUICK_COLOURS = ['clear', 'tinged', 'stained', 'muddy'] as const;
export type QuickColour = (typeof QUICK_COLOURS)[number];

/** Clarity that each word stands for, NTU (common practice: see the boots to the knee, to the shin, not at all). */
export const COLOUR_NTU: Record<QuickColour, number> = {
  clear: 1,
  tinged: 8,
  stained: 25,
  muddy: 80,
};
