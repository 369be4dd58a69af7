const PRIME = 0x100000001b3n;
const MASK = 0xffffffffffffffffn;

/** FNV-1a, 64 bit, as 16 hex digits (Fowler, Noll, Vo). A cache key, not a seal against forgery. */
export function fnv1a64(text: string): string {
  let hash = 0xcbf29ce484222325n;
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    hash = ((hash ^ BigInt(code & 0xff)) * PRIME) & MASK;
    if (code > 0xff) hash = ((hash ^ BigInt(code >> 8)) * PRIME) & MASK;
  }
  return hash.toString(16).padStart(16, '0');
}
