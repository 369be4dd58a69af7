/** The next move: what to do at a fish, when to rest it, when an emptied lie pays again, which rod takes more. */
export { priorBelief, type Situation } from './belief';
export {
  STATES,
  TAKE_S,
  WILLING,
  WILLING_PRIOR,
  type Belief,
  type MoveState,
  type Seen,
} from './guesses';
export {
  beliefAfter,
  coversLeft,
  hourly,
  looksOf,
  nextMove,
  CHANGES,
  type Change,
  type Happening,
  type Move,
  type MoveAnswer,
  type MoveQuestion,
  type RatedMove,
} from './next-move';
export { MOVE_SCHOOLS, schoolMoves, type MoveSchool } from './schools';
export { answersIn, coverSeconds } from './cover-facts';
export { moveQuestionOf, type MoveContext } from './of-try';
export { paysToday, restAfter, type Rest } from './rest';
export {
  afterBlanks,
  bestCovers,
  expectedCovers,
  gainOf,
  MOST_COVERS,
  netOf,
  secondsOfCovers,
  type Coverable,
} from './covers';
export { refilled, worthAnotherLookH } from './refill';
export {
  changeOrStay,
  dropperOff,
  LEAST_DRIFTS,
  SURE,
  type ChangeOrStay,
  type Side,
  type Verdict,
} from './change-or-stay';
export {
  FOOD,
  FOODS,
  RISE_FORMS,
  SIZES_MM,
  whatTheyTake,
  WINGS,
  type Food,
  type RiseForm,
  type RisesSeen,
  type TakingOdds,
  type Wings,
} from './taking';
export { SIDES_BY, sidesOf, type SidesBy } from './sides';
export { lnGamma, quantilesOf } from './beta';
