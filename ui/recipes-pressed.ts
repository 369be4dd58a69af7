import { defineRecipe, defineSlotRecipe } from '@chakra-ui/react';
import { PHONE, THUMB } from './phone';

/** Larger on the start page, where little else is. */
const ON_START = { minHeight: '44px', padding: '8px 16px', justifySelf: 'start' } as const;

/** Pressed things: the one to do next, the rest, a word in a sentence, a square key. */
export const buttonRecipe = defineRecipe({
  base: {
    display: 'inline-block',
    cursor: 'pointer',
    color: 'ink',
    _disabled: { color: 'ink3', cursor: 'default' },
  },
  variants: {
    voice: {
      solid: {
        display: 'inline-flex',
        alignItems: 'center',
        justifyContent: 'center',
        minHeight: '34px',
        padding: '6px 12px',
        border: '1.4px solid',
        borderColor: 'ink',
        fontWeight: 700,
        background: 'ink',
        color: 'paper',
        textDecoration: 'none',
        _disabled: { background: 'paper', borderColor: 'rule2' },
        '.start &': ON_START,
        [PHONE]: THUMB,
      },
      line: {
        display: 'inline-flex',
        alignItems: 'center',
        justifyContent: 'center',
        minHeight: '34px',
        padding: '6px 12px',
        border: '1.4px solid',
        borderColor: 'ink',
        fontWeight: 700,
        background: 'paper',
        textDecoration: 'none',
        _disabled: { borderColor: 'rule2' },
        '.start &': ON_START,
        [PHONE]: THUMB,
      },
      plain: {
        textDecoration: 'underline',
        textUnderlineOffset: '3px',
        color: 'ink2',
        minHeight: '24px',
        _hover: { color: 'ink' },
      },
      icon: {
        display: 'inline-flex',
        alignItems: 'center',
        justifyContent: 'center',
        gap: '6px',
        minWidth: '34px',
        minHeight: '34px',
      },
      bare: {},
      /** The head of a column that sorts. */
      head: {
        display: 'inline-flex',
        alignItems: 'center',
        gap: '3px',
        minHeight: '28px',
        fontWeight: 600,
        color: 'ink2',
        textAlign: 'left',
        [PHONE]: { minHeight: '44px' },
      },
    },
  },
  defaultVariants: { voice: 'line' },
});

/** A figure or words that are typed, on a line. */
export const inputRecipe = defineRecipe({
  base: {
    width: '100%',
    borderBottom: '1.5px solid',
    borderColor: 'ink',
    padding: '4px 2px',
    background: 'transparent',
    color: 'ink',
    _placeholder: { color: 'ink3', opacity: 1 },
  },
  variants: {
    voice: {
      figure: { font: '650 18px var(--font-heading)' },
      words: { font: '400 15px var(--font-body)' },
    },
  },
  defaultVariants: { voice: 'figure' },
});

export const textAreaRecipe = defineRecipe({
  base: {
    width: '100%',
    border: '1px solid',
    borderColor: 'rule2',
    padding: '6px 8px',
    background: 'transparent',
    color: 'ink',
    font: '400 15px var(--font-body)',
    _placeholder: { color: 'ink3', opacity: 1 },
  },
});

/** One of a few, as pressed cells; five or more go in rows of three. */
export const choiceRecipe = defineSlotRecipe({
  slots: ['root', 'item', 'itemText', 'indicator', 'label'],
  base: {
    root: {
      display: 'flex',
      margin: '6px 0',
      border: '1px solid',
      borderColor: 'rule2',
      '&:has(> :nth-child(5))': { display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)' },
    },
    item: {
      position: 'relative',
      flex: 1,
      display: 'flex',
      alignItems: 'center',
      justifyContent: 'center',
      textAlign: 'center',
      minHeight: '32px',
      padding: '4px 6px',
      cursor: 'pointer',
      color: 'ink2',
      borderLeft: '1px solid',
      borderColor: 'rule2',
      _first: { borderLeft: 0 },
      _checked: {
        background: 'wet',
        color: 'ink',
        fontWeight: 700,
        borderBottom: '3px solid var(--ink)',
      },
      '&:has(:focus-visible)': { outline: '2px solid var(--ink)', outlineOffset: '1px' },
      '.told &': { minHeight: '48px' },
      [PHONE]: THUMB,
    },
  },
});

export const checkboxRecipe = defineSlotRecipe({
  slots: ['root', 'control', 'label', 'indicator', 'group'],
  base: {
    root: {
      display: 'inline-flex',
      alignItems: 'center',
      gap: '8px',
      position: 'relative',
      cursor: 'pointer',
      minHeight: '28px',
    },
    control: {
      width: '16px',
      height: '16px',
      flexShrink: 0,
      border: '1.5px solid',
      borderColor: 'ink',
      color: 'paper',
      _checked: { background: 'ink' },
    },
  },
});

export const selectRecipe = defineSlotRecipe({
  slots: ['root', 'field', 'indicator'],
  base: {
    root: { display: 'inline-block', maxWidth: '100%' },
    field: {
      border: 0,
      borderBottom: '1.5px solid',
      borderColor: 'rule2',
      background: 'transparent',
      color: 'inherit',
      font: 'inherit',
      minHeight: '28px',
      maxWidth: '100%',
      '& option': { background: 'paper', color: 'ink' },
    },
  },
});

/** One figure between two ends. */
export const sliderRecipe = defineSlotRecipe({
  slots: [
    'root',
    'label',
    'thumb',
    'valueText',
    'track',
    'range',
    'control',
    'markerGroup',
    'marker',
    'draggingIndicator',
  ],
  base: {
    root: { width: '100%', _disabled: { opacity: 0.5 } },
    control: {
      position: 'relative',
      display: 'flex',
      alignItems: 'center',
      minHeight: '28px',
      cursor: 'pointer',
      touchAction: 'none',
      _vertical: { flexDirection: 'column', height: '100%', minWidth: '44px' },
      [PHONE]: { minHeight: '44px' },
    },
    track: {
      flex: 1,
      height: '4px',
      background: 'rule2',
      _vertical: { height: '100%', width: '4px' },
    },
    range: { background: 'ink', height: '100%', _vertical: { width: '100%', height: 'auto' } },
    thumb: {
      width: '22px',
      height: '22px',
      background: 'paper',
      border: '2px solid',
      borderColor: 'ink',
      _before: { content: '""', position: 'absolute', inset: '-12px' },
    },
  },
});

/** One of a few, each with its reason. */
export const radioRecipe = defineSlotRecipe({
  slots: [
    'root',
    'label',
    'item',
    'itemText',
    'itemControl',
    'indicator',
    'itemAddon',
    'itemIndicator',
  ],
  base: {
    root: { display: 'grid', gap: '2px' },
    label: { font: '650 16px/20px var(--font-heading)', marginBottom: '2px' },
    item: {
      position: 'relative',
      display: 'flex',
      gap: '10px',
      alignItems: 'flex-start',
      padding: '4px 0',
      cursor: 'pointer',
      '&:has(:focus-visible)': { outline: '2px solid var(--ink)', outlineOffset: '1px' },
      [PHONE]: { minHeight: '44px', alignItems: 'center' },
    },
    itemControl: {
      flexShrink: 0,
      marginTop: '2px',
      width: '16px',
      height: '16px',
      border: '1.5px solid',
      borderColor: 'ink',
      _checked: { background: 'ink', boxShadow: 'inset 0 0 0 3px var(--paper)' },
    },
  },
});

/** A file, chosen or dropped. */
export const fileRecipe = defineSlotRecipe({
  slots: [
    'root',
    'dropzone',
    'item',
    'itemDeleteTrigger',
    'itemGroup',
    'itemName',
    'itemPreview',
    'itemPreviewImage',
    'itemSizeText',
    'label',
    'trigger',
    'clearTrigger',
    'itemContent',
    'dropzoneContent',
    'fileText',
  ],
  base: {
    root: { display: 'grid', gap: '4px', margin: '8px 0' },
    label: { color: 'ink2' },
    dropzone: {
      display: 'flex',
      alignItems: 'center',
      gap: '10px',
      minHeight: '44px',
      padding: '6px 12px',
      border: '1.4px dashed',
      borderColor: 'rule2',
      cursor: 'pointer',
      _dragging: { background: 'wet', borderColor: 'ink' },
      _disabled: { cursor: 'default', color: 'ink3' },
    },
  },
});
