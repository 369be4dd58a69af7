import { defineSlotRecipe } from '@chakra-ui/react';
import { PHONE } from './phone';

/** A name over what is typed, and the sentence when it cannot be. */
export const fieldRecipe = defineSlotRecipe({
  slots: ['root', 'label', 'errorText', 'helperText', 'requiredIndicator'],
  base: {
    label: { display: 'block', color: 'ink2' },
    errorText: { display: 'block', fontWeight: 700, _before: { content: '"! "' } },
  },
});

/** Opens on demand: the inputs behind a figure. */
export const disclosureRecipe = defineSlotRecipe({
  slots: ['root', 'trigger', 'content', 'indicator'],
  base: {
    root: { margin: '10px 0' },
    trigger: {
      cursor: 'pointer',
      color: 'ink2',
      textAlign: 'left',
      textDecoration: 'underline',
      textUnderlineOffset: '3px',
    },
  },
});

export const progressRecipe = defineSlotRecipe({
  slots: ['root', 'track', 'range', 'label', 'valueText'],
  base: {
    track: { height: '8px', border: '1px solid', borderColor: 'ink', background: 'paper' },
    range: {
      height: '100%',
      background: 'ink',
      transition: 'width 0.2s',
      '@media (prefers-reduced-motion: reduce)': { transition: 'none' },
    },
  },
});

/** A few pages behind tabs, as on the sheet of a phone. */
export const tabsRecipe = defineSlotRecipe({
  slots: ['root', 'list', 'trigger', 'content', 'indicator', 'contentGroup'],
  base: {
    root: { display: 'flex', flexDirection: 'column', minHeight: 0, flex: 1 },
    list: { display: 'flex', borderTop: '1px solid', borderColor: 'ink', flexShrink: 0 },
    trigger: {
      flex: 1,
      minHeight: '46px',
      fontSize: '18px',
      cursor: 'pointer',
      color: 'ink2',
      background: 'wet',
      borderTop: '3px solid transparent',
      borderRight: '1px solid',
      borderRightColor: 'rule2',
      _last: { borderRight: 0 },
      _selected: {
        background: 'paper',
        color: 'ink',
        fontWeight: 700,
        borderTopColor: 'ink',
      },
      _focusVisible: { outlineOffset: '-3px' },
    },
    content: { flex: 1, minHeight: 0, overflow: 'auto', position: 'relative' },
  },
});

/** What is seldom done, behind one key. */
export const menuRecipe = defineSlotRecipe({
  slots: [
    'contextTrigger',
    'trigger',
    'triggerItem',
    'indicator',
    'positioner',
    'arrow',
    'arrowTip',
    'content',
    'item',
    'itemGroup',
    'itemGroupLabel',
    'itemIndicator',
    'itemCommand',
    'itemText',
    'separator',
  ],
  base: {
    content: {
      minWidth: '180px',
      background: 'paper',
      color: 'ink',
      border: '1.4px solid',
      borderColor: 'ink',
      zIndex: 30,
      _focusVisible: { outline: 'none' },
    },
    item: {
      display: 'block',
      padding: '8px 14px',
      cursor: 'pointer',
      color: 'ink',
      textDecoration: 'none',
      _highlighted: { background: 'wet', outline: '2px solid var(--ink)', outlineOffset: '-2px' },
      [PHONE]: { minHeight: '44px', padding: '12px 16px', fontSize: '16px' },
    },
  },
});

/** A sheet over the page. */
export const dialogRecipe = defineSlotRecipe({
  slots: [
    'trigger',
    'backdrop',
    'positioner',
    'content',
    'title',
    'description',
    'closeTrigger',
    'header',
    'body',
    'footer',
  ],
  base: {
    backdrop: { position: 'fixed', inset: 0, background: 'ink', opacity: 0.35, zIndex: 40 },
    positioner: {
      position: 'fixed',
      inset: 0,
      zIndex: 41,
      display: 'flex',
      alignItems: 'center',
      justifyContent: 'center',
      padding: '20px',
      [PHONE]: { alignItems: 'flex-end', padding: 0 },
    },
    content: {
      width: '100%',
      maxWidth: '560px',
      maxHeight: '100%',
      overflow: 'auto',
      background: 'paper',
      color: 'ink',
      border: '1.4px solid',
      borderColor: 'ink',
      padding: '14px 20px 20px',
      [PHONE]: { fontSize: '16px', lineHeight: '22px', maxWidth: 'none' },
    },
    header: { display: 'flex', justifyContent: 'space-between', alignItems: 'center' },
    title: { font: '700 20px/24px var(--font-heading)', [PHONE]: { fontSize: '26px' } },
  },
});

/** Names and their figures: on lines, or side by side with the figure large and the name under it. */
export const factsRecipe = defineSlotRecipe({
  slots: ['root', 'item', 'itemLabel', 'itemValue'],
  base: {
    root: {
      margin: '8px 0',
      padding: '6px 0',
      borderBlock: '1px solid',
      borderColor: 'rule2',
    },
    item: { display: 'flex', justifyContent: 'space-between', gap: '10px' },
    itemLabel: { color: 'ink2' },
    itemValue: { fontWeight: 700, textAlign: 'right' },
  },
  variants: {
    orientation: {
      horizontal: {},
      vertical: {
        root: { display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)' },
        item: { flexDirection: 'column-reverse', justifyContent: 'flex-end', gap: 0 },
        itemValue: { font: '650 20px/24px var(--font-heading)', textAlign: 'left' },
      },
    },
  },
  defaultVariants: { orientation: 'horizontal' },
});

/** What happened, in order, along a line. */
export const timelineRecipe = defineSlotRecipe({
  slots: ['root', 'item', 'content', 'separator', 'indicator', 'connector', 'title', 'description'],
  base: {
    root: { listStyle: 'none', margin: '8px 0' },
    item: {
      position: 'relative',
      display: 'flex',
      gap: '10px',
      '&[data-undone]': { textDecoration: 'line-through', color: 'ink2' },
    },
    connector: { position: 'relative', width: '11px', flexShrink: 0 },
    separator: {
      position: 'absolute',
      left: '5px',
      top: 0,
      bottom: 0,
      borderLeft: '2px solid',
      borderColor: 'ink',
    },
    indicator: {
      position: 'absolute',
      left: '2px',
      top: '6px',
      width: '8px',
      height: '8px',
      background: 'ink',
    },
    title: { fontWeight: 700 },
  },
});

/** Rows under heads. */
export const tableRecipe = defineSlotRecipe({
  slots: ['root', 'header', 'body', 'row', 'columnHeader', 'cell', 'footer', 'caption'],
  base: {
    root: { width: '100%', borderCollapse: 'collapse' },
    row: { _hover: { background: 'wet' }, '&[data-chosen]': { background: 'wet' } },
    columnHeader: {
      textAlign: 'left',
      padding: '0 4px',
      borderBottom: '1px solid',
      borderColor: 'ink',
      whiteSpace: 'nowrap',
    },
    cell: {
      textAlign: 'left',
      padding: '0 4px',
      borderBottom: '1px solid',
      borderColor: 'rule',
      whiteSpace: 'nowrap',
      '&[data-wide], &:has([data-wide])': { width: '100%', whiteSpace: 'normal' },
    },
  },
});
