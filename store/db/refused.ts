/**
 * A write that the rules of the work do not allow. Nothing was saved. `fields` names each field of the form with a
 * sentence for the person; `""` is about the whole.
 */
export class Refused extends Error {
  constructor(
    readonly fields: Record<string, string>,
    readonly status: 403 | 404 | 409 | 422 | 429 = 422,
  ) {
    super(Object.values(fields).join(" "));
    this.name = "Refused";
  }
}

/**
 * Throws Refused about the whole form.
 *
 * @param status of the answer
 */
export function refuse(message: string, status: 403 | 404 | 409 | 422 | 429 = 422): never {
  throw new Refused({ "": message }, status);
}
