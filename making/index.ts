/** The ways in: a beat told, taped or traced, and kept as a draft until it is whole. */
export { SketchPage } from './sketch/sketch-page';
export { SurveyPage } from './survey/survey-page';
export { newSurvey, type SurveyDraft } from './survey/survey-draft';
export type { DraftInput } from './use-draft';
