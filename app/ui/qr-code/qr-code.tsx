/** A QR code, black on white in every theme: cameras read no other. @param qr its path in modules, quiet zone included */
export function QrCode({ qr, label }: { qr: { path: string; size: number }; label: string }) {
  return (
    <svg
      viewBox={`0 0 ${qr.size} ${qr.size}`}
      role="img"
      aria-label={label}
      className="size-36 shrink-0"
      shapeRendering="crispEdges"
    >
      <rect width={qr.size} height={qr.size} fill="#fff" />
      <path d={qr.path} fill="#000" />
    </svg>
  );
}
