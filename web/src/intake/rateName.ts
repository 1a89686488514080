/** A rate as people say it. */
export const rateName = (rate: string) => ({ '24000/1001': '23.976', '30000/1001': '29.97', '60000/1001': '59.94' })[rate] ?? rate
