/** The outing on a phone: what to do now, what happened; no workspace, no solver. */
export { OutingPage } from './outing-page';
