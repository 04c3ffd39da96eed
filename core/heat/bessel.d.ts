/** The library ships its types beside a file its package does not name; this is the part the series need. */
declare module "bessel" {
  const library: { besselj(x: number, n: number): number };
  export default library;
}
