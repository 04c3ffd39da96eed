/** A photo as an answer. Its bytes never change under an address, and are nobody else's to keep. */
export const photoAnswer = (bytes: Buffer): Response =>
  new Response(new Uint8Array(bytes), {
    headers: {
      "Content-Type": "image/jpeg",
      "Content-Length": String(bytes.length),
      "Cache-Control": "private, max-age=31536000, immutable",
      "Content-Disposition": "inline",
    },
  });
