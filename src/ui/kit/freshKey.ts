/** A random key for one touch. Plain HTTP in a hall has no `crypto.randomUUID`; random values it has. */
export function freshKey(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, "0")).join("");
}
