import { Form } from "react-router";
import type { KeyedFormProps } from "./keyed-form";

/**
 * A form with a file. Unlike any other it stays as it is when the server sends a new key: a browser never fills in a file
 * again, so what was chosen would be gone after a refusal.
 */
export function FileForm({ form, formKey, intent, className, children }: KeyedFormProps) {
  return (
    <Form
      method="post"
      encType="multipart/form-data"
      id={form.id}
      onSubmit={form.onSubmit}
      noValidate
      className={className}
    >
      <input type="hidden" name="key" value={formKey} />
      <input type="hidden" name="intent" value={intent} />
      {children}
    </Form>
  );
}
