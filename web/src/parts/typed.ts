/** A number as it was typed: a comma is a point, and a true minus a minus. NaN where it is none. */
export const readNumber = (typed: string): number => Number(typed.trim().replace(',', '.').replaceAll('−', '-'))
