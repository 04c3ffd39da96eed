import { createCanvas, loadImage } from "@napi-rs/canvas";
import { writeFileSync } from "node:fs";

/**
 * A label as the camera of a phone sees it: not quite filling the picture, on something grey.
 * @param file what the browser takes for its camera's picture
 */
export async function holdUp(file: string, png: string | Buffer): Promise<void> {
  const image = await loadImage(png);
  const canvas = createCanvas(640, 480);
  const c = canvas.getContext("2d");
  c.fillStyle = "#9a9285";
  c.fillRect(0, 0, 640, 480);
  const scale = Math.min(600 / image.width, 440 / image.height);
  c.drawImage(image, 20, 20, image.width * scale, image.height * scale);
  writeFileSync(file, canvas.toBuffer("image/jpeg", 92));
}

/** Has the browser take a file for what its camera sees. */
export const cameraFrom = (file: string): string[] => [
  "--use-fake-device-for-media-stream",
  `--use-file-for-fake-video-capture=${file}`,
];
