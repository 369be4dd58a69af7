/** Day: whether it is right to fish today. */
export {
  HEAT_SCHOOLS,
  heatAt,
  heatLimitC,
  KINDER_LIMIT_C,
  NO_FISHING_FROM_C,
  type Heat,
  type HeatRule,
  type HeatSchool,
} from './heat';
export { simulatedInstruments, type InstrumentLine } from './simulated-instruments';
