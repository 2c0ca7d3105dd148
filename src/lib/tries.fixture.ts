/** How often something random is tried: a few times in the tests, many in the bench (`npm run bench`, or `SOAK=1`). */
export const tries = (few: number, many: number): number => (process.env.SOAK ? many : few);
