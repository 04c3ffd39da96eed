/** The library ships no types; the tests name the three functions they use. */
declare module "psychrolib" {
  const library: unknown;
  export default library;
}
