/** How many a long list skips, from `?skip=`; anything that is no count skips none. @param step how many a page shows */
export function skipOf(request: Request, step: number): number {
  const skip = Number(new URL(request.url).searchParams.get("skip") ?? 0);
  return Number.isSafeInteger(skip) && skip > 0 ? Math.floor(skip / step) * step : 0;
}
