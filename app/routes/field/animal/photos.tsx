import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import { Form, href } from "react-router";
import type { Photo } from "#store/harvest";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { keyFor, FormErrors, TextField, TickField, resultOf, FileForm } from "#ui/form";

/** Pictures of an animal. They stay on this machine, and say nothing of where unless that is kept. */
export function Photos({
  photos,
  formKey: key,
  result,
}: {
  photos: readonly Photo[];
  formKey: string;
  result: SubmissionResult | undefined;
}) {
  const own = resultOf(result, "photo");
  const [form, fields] = useForm<{ photo: string; keepsPlace: string }>({ id: "photo", lastResult: own });
  return (
    <section id="photos" aria-label="Photos" className="scroll-mt-4">
      <h2 className="mb-2 text-[1.06rem] text-soft">Photos</h2>
      {photos.length > 0 && (
        <ul className="mb-2 flex flex-wrap gap-4">
          {photos.map((p, i) => (
            <li key={p.id}>
              <a href={href("/photos/:id", { id: p.id })}>
                <img
                  src={href("/photos/:id", { id: p.id })}
                  alt={`Photo ${i + 1}`}
                  loading="lazy"
                  className="h-40 rounded border-2 border-ink object-cover"
                  style={{ aspectRatio: `${p.width} / ${p.height}` }}
                />
              </a>
              <Form method="post">
                <input type="hidden" name="key" value={keyFor(key, `unphoto ${p.id}`)} />
                <input type="hidden" name="intent" value="unphoto" />
                <Button weight="bare" name="photoId" value={p.id}>
                  Remove
                </Button>
              </Form>
            </li>
          ))}
        </ul>
      )}
      <Drawer title={photos.length ? "Add another photo" : "Add a photo"} open={own?.status === "error"}>
        <FileForm form={form} formKey={keyFor(key, "photo")} intent="photo" className="space-y-3 pb-2">
          <TickField
            field={fields.keepsPlace}
            label="Keep location and camera details"
            hint="Otherwise they are removed."
          />
          <TextField
            field={fields.photo}
            label="Photo"
            hint="JPEG, PNG or WebP, up to 12 MB"
            type="file"
            accept="image/jpeg,image/png,image/webp"
          />
          <FormErrors form={form} />
          <Button>Add photo</Button>
        </FileForm>
      </Drawer>
    </section>
  );
}
