import {
  fieldRecipe,
  disclosureRecipe,
  progressRecipe,
  tabsRecipe,
  menuRecipe,
  dialogRecipe,
  factsRecipe,
  timelineRecipe,
  tableRecipe,
} from './recipes-laid';
import {
  buttonRecipe,
  inputRecipe,
  choiceRecipe,
  checkboxRecipe,
  selectRecipe,
  sliderRecipe,
  radioRecipe,
  fileRecipe,
} from './recipes-pressed';

/** What Chakra looks up by name: how things are laid out, and how they are pressed, chosen and typed. */
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
