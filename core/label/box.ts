import type { LabelStock } from "./stock.ts";

/** A part of a label, mm from its upper left corner. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Nothing is printed nearer the edge than this, mm: sheets slip and rolls wander. */
const EDGE = 2;
/** A QR code with smaller squares than this is not read off a label by every telephone, mm. Common practice, from memory. */
export const QR_SQUARE_MM = 0.4;
/** An address takes 29 squares on a side, and 4 to either side are left blank. mm */
const QR_LEAST = (29 + 8) * QR_SQUARE_MM;
/** Larger than this a QR code only takes room, mm. */
const QR_MOST = 26;

/** Returns the side of the QR code on a label with its quiet zone, mm. */
export function qrSideMm({ form, label }: LabelStock): number {
  const room =
    form === "disc" ? label.height * 0.36 : Math.min(label.height - 2 * EDGE - 4, label.width * 0.4);
  return Math.max(QR_LEAST, Math.min(QR_MOST, room));
}

/**
 * Returns where a label's text goes, and where its QR code goes with the code printed below it: boxes in mm from the
 * label's top left corner.
 */
export function textBoxMm(stock: LabelStock): { text: Box; qr: Box } {
  const { form, label } = stock;
  const side = qrSideMm(stock);
  if (form === "disc") {
    // Inside the circle: words above, the code below, each as wide as the circle is there.
    const r = label.width / 2;
    const qrTop = r + 1;
    const half = Math.sqrt(Math.max(0, (r - EDGE) ** 2 - (r * 0.72) ** 2));
    return {
      text: {
        x: r - Math.max(half, r * 0.68),
        y: r * 0.28,
        width: 2 * Math.max(half, r * 0.68),
        height: r * 0.72,
      },
      qr: { x: r - side / 2, y: qrTop, width: side, height: side },
    };
  }
  const high = label.height - 2 * EDGE;
  // On a wrap the words face front and the code stands beside them, not round the back.
  const wide = form === "wrap" ? Math.min(label.width, 120) : label.width;
  return {
    text: { x: EDGE, y: EDGE, width: wide - 2 * EDGE - side - 1, height: high },
    qr: { x: wide - EDGE - side, y: EDGE, width: side, height: side },
  };
}

/** Words beside the QR code of a gift label need so much room, mm. */
const GIFT_WORDS = 24;

/**
 * Returns where the words of a gift label go, and its QR code, which holds all of them and is as large as the label has
 * room for: boxes in mm from the label's top left corner; null for a round one, which has room for neither.
 */
export function giftBoxMm({ form, label }: LabelStock): { text: Box; qr: Box } | null {
  if (form === "disc") return null;
  const high = label.height - 2 * EDGE;
  const wide = (form === "wrap" ? Math.min(label.width, 120) : label.width) - 2 * EDGE;
  const side = Math.min(high, wide - GIFT_WORDS);
  return {
    text: { x: EDGE, y: EDGE, width: wide - side - 1, height: high },
    qr: { x: EDGE + wide - side, y: EDGE + (high - side) / 2, width: side, height: side },
  };
}
