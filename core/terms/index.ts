/** Terms of the trade that several models use: each has one definition, here. */
export { SAME_LIE_M, sameLie } from './same-lie';
