'use client';

import { SegmentGroup } from '@chakra-ui/react';
import { formatDischarge } from '../../core/units/index';
import type { LevelName } from '../../core/formats/index';
import { OVER_CELL } from '../../ui/over-cell';
import { useActions, usePart, useWorkspace } from '../context';
import { createPlanActions } from '../plan-actions';
import css from './frame.module.css';
import { LevelGlyph } from './level-glyph';

/** Thin to Spate, as told of this beat; arrow keys go through them. */
export function LevelChoice() {
  const { beat } = useWorkspace();
  const acting = useActions(createPlanActions);
  const level = usePart((s) => s.level);
  const units = usePart((s) => s.settings.units);
  return (
    <SegmentGroup.Root
      unstyled
      className={css.levels}
      aria-label="Level"
      value={level}
      onValueChange={(e) =>
        e.value && e.value !== level && acting.chooseLevel(e.value as LevelName)
      }
    >
      {beat.plan.levels.map((l) => (
        <SegmentGroup.Item
          key={l.name}
          value={l.name}
          className={l.name === level ? `${css.level} ${css.chosen}` : css.level}
          title={`${formatDischarge(l.dischargeM3s, units)}, ${l.how}`}
        >
          <LevelGlyph level={l.name} />
          <SegmentGroup.ItemText>{l.name}</SegmentGroup.ItemText>
          <SegmentGroup.ItemHiddenInput style={OVER_CELL} />
        </SegmentGroup.Item>
      ))}
    </SegmentGroup.Root>
  );
}

/** Discharge of the level on screen, and whether it is a guess. */
export function Discharge() {
  const { beat } = useWorkspace();
  const level = usePart((s) => s.level);
  const units = usePart((s) => s.settings.units);
  const chosen = beat.plan.levels.find((l) => l.name === level)!;
  return (
    <span className={css.discharge}>
      {formatDischarge(chosen.dischargeM3s, units)}
      {chosen.how === 'guessed' ? ', guessed' : ''}
    </span>
  );
}
