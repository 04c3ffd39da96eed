/** A key of its own for each form or button of a page, made from the page's: four hexadecimal figures tell them apart. */
export function keyFor(key: string, name: string): string {
  let sum = 17;
  for (const c of name) sum = (sum * 31 + c.charCodeAt(0)) % 65_521;
  return `${key.slice(0, -4)}${sum.toString(16).padStart(4, "0")}`;
}
