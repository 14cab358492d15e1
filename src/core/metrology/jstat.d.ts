declare module 'jstat' {
  interface Distribution {
    cdf(x: number, ...parameters: number[]): number;
    inv(p: number, ...parameters: number[]): number;
  }
  const jstat: {
    normal: Distribution;
    studentt: Distribution;
    centralF: Distribution;
    chisquare: Distribution;
    beta: Distribution;
  };
  export default jstat;
}
