/** The statistics package that tests hold ours to; it brings no types. */
declare module "jstat" {
  const jStat: {
    studentt: { cdf(t: number, degrees: number): number };
    normal: { inv(p: number, mean: number, sd: number): number };
    chisquare: { inv(p: number, degrees: number): number };
  };
  export default jStat;
}
