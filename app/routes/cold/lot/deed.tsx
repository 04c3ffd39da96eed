import { useForm, type FieldMetadata, type SubmissionResult } from "@conform-to/react";
import type { ReactNode } from "react";
import { Drawer } from "#ui/drawer";
import { FormErrors, KeyedForm, keyFor, resultOf } from "#ui/form";
import type { Route } from "./+types/route";

export interface DeedProps {
  data: Route.ComponentProps["loaderData"];
  result: SubmissionResult | undefined;
}

/** The fields of a deed by name, and what each held before it was refused. */
export type DeedFields = (name: string) => FieldMetadata<string>;

/**
 * One thing that can be done with a lot: a line that opens to its form, and opens by itself when something in it was
 * refused.
 */
export function DeedForm({
  title,
  intent,
  data,
  result,
  open = false,
  ownButton,
  className = "",
  children,
}: DeedProps & {
  title: string;
  intent: string;
  open?: boolean;
  ownButton?: boolean;
  className?: string;
  children: (field: DeedFields) => ReactNode;
}) {
  const own = resultOf(result, intent);
  const [form, fields] = useForm<Record<string, string>>({ id: intent, lastResult: own });
  return (
    <Drawer ruled title={title} open={open || own?.status === "error"}>
      <KeyedForm
        form={form}
        formKey={keyFor(data.key, intent)}
        intent={intent}
        className={className}
        ownButton={ownButton}
      >
        {children((name) => fields[name]!)}
        <FormErrors form={form} />
      </KeyedForm>
    </Drawer>
  );
}
