import { useEffect, useRef, type RefObject } from "react";
import { useNavigation } from "react-router";
import { keepOnTab, keptOnTab } from "#ui/draft";
import { typeInto } from "./type-into";

type Field = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement;

/** Fields somebody changed and did not send, by name; a choice among several with its value. */
type Typed = Record<string, string>;

/** Forms of the page that hold something not sent, and whether leaving was asked about. */
const begun = new Map<HTMLFormElement, { asked: boolean }>();

/**
 * Returns whether somebody should be asked before leaving the page: a form holds something not sent. Each form is asked
 * about once.
 */
export function asksBeforeLeaving(): boolean {
  let ask = false;
  for (const [form, state] of begun) {
    if (form.isConnected && !state.asked) ask = true;
    state.asked = true;
  }
  return ask;
}

const isChoice = (f: Field) => f instanceof HTMLInputElement && (f.type === "checkbox" || f.type === "radio");
const nameOf = (f: Field) => (isChoice(f) ? `${f.name}=${f.value}` : f.name);
const valueOf = (f: Field) => (isChoice(f) ? String((f as HTMLInputElement).checked) : f.value);

/** Fields that may be kept: nothing secret, no file, and nothing that nobody sees. */
function fieldsOf(form: HTMLFormElement): Field[] {
  return [...form.elements].filter(
    (f): f is Field =>
      (f instanceof HTMLInputElement || f instanceof HTMLSelectElement || f instanceof HTMLTextAreaElement) &&
      f.name !== "" &&
      !["hidden", "password", "file", "submit"].includes(f.type),
  );
}

/** Sets a field as a person would, so that whoever listens to it hears of it. */
function put(field: Field, value: string): void {
  if (isChoice(field)) {
    if (String((field as HTMLInputElement).checked) !== value) field.click();
    return;
  }
  typeInto(field, value);
  field.dispatchEvent(new Event("change", { bubbles: true }));
}

const keyOf = (id: string) => `typed ${location.pathname}${location.search} ${id}`;
const keep = (key: string, typed: Typed) => keepOnTab(key, Object.keys(typed).length > 0 ? typed : null);

/**
 * Keeps on this tab what was typed into a form and not sent, through a reload and a look at other pages, and fills it in
 * again. Sent, it is forgotten; sent back with something to correct, it is kept again.
 *
 * @param id of the form, one on its page
 * @param formKey of this drawing of it: a new one is an empty form
 * @param corrected whether it came back with something to correct
 */
export function useHalfTyped(
  ref: RefObject<HTMLFormElement | null>,
  id: string,
  formKey: string,
  corrected: boolean,
): void {
  const { state } = useNavigation();
  const sentAs = useRef<string | null>(null);
  useEffect(() => {
    const form = ref.current;
    if (!form) return;
    const key = keyOf(id);
    const typed = keptOnTab<Typed>(key) ?? {};
    for (const field of fieldsOf(form)) {
      const was = typed[nameOf(field)];
      if (was !== undefined && was !== valueOf(field)) put(field, was);
    }
    if (Object.keys(typed).length > 0) begun.set(form, { asked: false });
    const changed = (e: Event) => {
      const field = e.target as Field;
      if (!fieldsOf(form).includes(field)) return;
      // Of choices under one name the others change with it.
      for (const f of isChoice(field) ? fieldsOf(form).filter((f) => f.name === field.name) : [field])
        typed[nameOf(f)] = valueOf(f);
      keep(key, typed);
      if (!begun.has(form)) begun.set(form, { asked: false });
    };
    const sent = () => {
      sentAs.current = formKey;
      keep(key, {});
      begun.delete(form);
    };
    form.addEventListener("input", changed);
    form.addEventListener("submit", sent);
    return () => {
      form.removeEventListener("input", changed);
      form.removeEventListener("submit", sent);
      begun.delete(form);
    };
  }, [ref, id, formKey]);
  useEffect(() => {
    const form = ref.current;
    // While it is on its way it is not known yet whether it comes back; taken, it is a new form.
    if (!corrected || state !== "idle" || !form || sentAs.current !== formKey) return;
    const typed = Object.fromEntries(
      fieldsOf(form)
        .filter((f) => valueOf(f) !== "" && !isChoice(f))
        .map((f) => [nameOf(f), valueOf(f)]),
    );
    keep(keyOf(id), typed);
    begun.set(form, { asked: false });
  }, [ref, id, formKey, corrected, state]);
}
