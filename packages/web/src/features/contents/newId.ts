/** An unused id. */
export const newId = (): string => `t${crypto.randomUUID().slice(0, 8)}`;
