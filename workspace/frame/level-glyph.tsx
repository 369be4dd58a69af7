import type { LevelName } from '../../core/formats/index';

/** Height of the water in the level's glyph, px of 11. */
const FILL: Record<LevelName, number> = { Thin: 2.5, Fair: 5, Full: 8, Spate: 11 };

/** A channel, as full as the level. */
export function LevelGlyph({ level }: { level: LevelName }) {
  return (
    <svg width="22" height="14" viewBox="0 0 22 14" aria-hidden="true">
      <path
        d={`M${3 + (11 - FILL[level]) * 0.3},${13 - FILL[level]}H${19 - (11 - FILL[level]) * 0.3}L16,13H6Z`}
        fill="var(--ink2)"
        opacity="0.5"
      />
      <path d="M2,1L6,13H16L20,1" fill="none" stroke="currentColor" strokeWidth="1.4" />
    </svg>
  );
}
