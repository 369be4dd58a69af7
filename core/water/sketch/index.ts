/** A beat from what a person can say of it in a minute: pieces in order, told depth and pace. */
export {
  newPiece,
  newSketch,
  PACE_WORD_MPS,
  PIECE_FORM,
  SKETCH_KINDS,
  toldDepthM,
  toldPaceMps,
  type AssumedField,
  type Sketch,
  type SketchKind,
  type SketchPiece,
  type SketchThing,
  type ToldDepth,
  type ToldPace,
} from './sketch';
export { sketchProblems, type SketchProblem } from './sketch-problems';
export { fitSketch, type Contradiction, type SketchFit } from './fit-sketch';
export { fillAssumed, isAssumed, toldNow } from './assumed';
export { compareSketch, type ToldAndSolved } from './compare-sketch';
export { createStreamLine, type StreamLine } from './stream-line';
export { beatFromSketch, type SketchBeat } from './beat-from-sketch';
