/** A name for a new thing that no other has. */
export const newId = (): string => `t${crypto.randomUUID().slice(0, 8)}`;
