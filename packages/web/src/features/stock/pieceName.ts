/** 'offcut-7' as it is said: 'offcut 7'. */
export const pieceName = (id: string): string => id.replace('-', ' ');
