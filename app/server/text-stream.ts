/**
 * A text sent piece by piece, so that a long one is never held whole. The first piece is made at once: what is refused
 * is refused before anything is sent.
 */
export function textStream(pieces: Generator<string>, type: string, fileName?: string): Response {
  const encoder = new TextEncoder();
  let next: IteratorResult<string> = pieces.next();
  // What a generator refuses it may refuse with its second piece; the first is often only a heading.
  const first = next.done ? "" : next.value;
  next = pieces.next();
  const body = new ReadableStream<Uint8Array>({
    start: (to) => to.enqueue(encoder.encode(first)),
    pull(to) {
      let text = "";
      while (!next.done && text.length < 64_000) {
        text += next.value;
        next = pieces.next();
      }
      if (text) to.enqueue(encoder.encode(text));
      if (next.done) to.close();
    },
    cancel: () => void pieces.return(undefined),
  });
  return new Response(body, {
    headers: {
      "Content-Type": type,
      "Cache-Control": "no-store",
      ...(fileName && { "Content-Disposition": `attachment; filename="${fileName}"` }),
    },
  });
}
