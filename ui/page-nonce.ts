/** What lets styles of this page in, for a part that makes its own; undefined where no policy asks for it. */
export const pageNonce = (): string | undefined =>
  document.querySelector<HTMLElement>('style[nonce], script[nonce]')?.nonce || undefined;
