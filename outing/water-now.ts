/** The water as the day's curve has it at this moment, for what is written down of a try; null: not known. */
export const waterNow: { tempC: number | null } = { tempC: null };
