import type { FormMetadata } from "@conform-to/react";
import { useRef, type ReactNode } from "react";
import { Form } from "react-router";
import { useHalfTyped } from "./half-typed";
import { NoEnter } from "./no-enter";

export interface KeyedFormProps {
  form: Pick<FormMetadata<Record<string, unknown>>, "id" | "onSubmit" | "status">;
  /** made by the server with the page: sent twice, the write is done once; a new one clears the form */
  formKey: string;
  /** which of a page's forms this is */
  intent?: string;
  className?: string;
  /** what it does is consequential, or its buttons each do something else: Enter in one of its fields presses none */
  ownButton?: boolean;
  children: ReactNode;
}

/** A form that writes something down. It works before any script loads; what is half typed outlives a reload. */
export function KeyedForm({ form, formKey, intent, className, ownButton, children }: KeyedFormProps) {
  const ref = useRef<HTMLFormElement>(null);
  useHalfTyped(ref, form.id, formKey, form.status === "error");
  return (
    <Form
      ref={ref}
      key={formKey}
      method="post"
      id={form.id}
      onSubmit={form.onSubmit}
      noValidate
      className={className}
    >
      {ownButton && <NoEnter />}
      <input type="hidden" name="key" value={formKey} />
      {intent && <input type="hidden" name="intent" value={intent} />}
      {children}
    </Form>
  );
}
