import { defineRecipe, defineSlotRecipe } from '@chakra-ui/react';

/** A thumb's size on a phone. */
const PHONE = '@media (max-width: 699px), (max-height: 499px)';
const THUMB = { minHeight: '44px', fontSize: '16px' } as const;
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

export const RECIPES = { button: buttonRecipe, input: inputRecipe };
export const SLOT_RECIPES = {
  segmentGroup: choiceRecipe,
  field: fieldRecipe,
  collapsible: disclosureRecipe,
  checkbox: checkboxRecipe,
  nativeSelect: selectRecipe,
  progress: progressRecipe,
  table: tableRecipe,
  slider: sliderRecipe,
  radioGroup: radioRecipe,
  fileUpload: fileRecipe,
  menu: menuRecipe,
  dataList: factsRecipe,
  timeline: timelineRecipe,
  tabs: tabsRecipe,
  dialog: dialogRecipe,
};
