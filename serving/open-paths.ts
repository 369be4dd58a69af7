/** What a phone that is not paired yet may ask for: the way in, and what its pages are made of. */
const OPEN = [
  /^\/(pair|trust)$/,
  /^\/trust\/authority\.crt$/,
  /^\/api\/v1\/(pair|health)$/,
  /^\/_next\/static\//,
  /^\/(icon\.svg|icon-\d+\.png|apple-icon\.png|manifest\.webmanifest|sw\.js|favicon\.ico)$/,
];

export const openToAll = (url: string): boolean => {
  const path = url.split('?')[0]!;
  return OPEN.some((p) => p.test(path));
};
