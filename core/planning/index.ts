/** Where a person's situation is put to the models: what is predicted, and what a try keeps of it. */
export { howOf, type How } from './how';
export { answersAt, NO_CAST, type Prediction } from './prediction';
export { lieAt, snapshotOf, snapshotWith, targetFacts, type PlannedTry } from './snapshot';
