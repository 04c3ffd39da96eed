/** A file as an answer, which the browser saves under a name and keeps nowhere else. @param type its media type */
export const downloadAnswer = (body: BodyInit, type: string, fileName: string): Response =>
  new Response(body, {
    headers: {
      "Content-Type": type,
      "Content-Disposition": `attachment; filename="${fileName}"`,
      "Cache-Control": "no-store",
    },
  });
