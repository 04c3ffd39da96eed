/** Returns a text with its first letter in upper case. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
