/** The route on a beat: which stands in which order, what each covers and how often, what is left out. */
export { ROUTE } from './guesses';
export type { RouteCast, RouteGround, RouteLie, RouteStand } from './ground';
export { prepareRoute, type RouteQuestion, type RouteTarget } from './prepare-route';
export {
  DIRECTIONS,
  run,
  wayFromEntry,
  workingOf,
  type Direction,
  type RouteAsk,
  type RouteStep,
  type RouteWay,
  type Stop,
  type Tick,
} from './evaluate';
export { searchRoute, type Found } from './search';
export {
  planRoute,
  type LeftOut,
  type LeftOutBecause,
  type NoRoute,
  type PlannedStop,
  type RouteResult,
  type WorkPlan,
} from './plan-route';
