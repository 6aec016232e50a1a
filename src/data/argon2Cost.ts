/** Argon2id with 19 MiB, two passes, one lane: OWASP Password Storage Cheat Sheet, its first choice. */
export const ARGON2_COST = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;
