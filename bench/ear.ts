import type { Page } from "@playwright/test";

/** Whatever is led to the loudspeaker is measured on its way. Text, since what compiles this file would change a function. */
const EAR = `
  const connect = AudioNode.prototype.connect;
  window.heard = { at: 0 };
  AudioNode.prototype.connect = function (to) {
    if (to instanceof AudioDestinationNode) {
      const ear = to.context.createAnalyser();
      const samples = new Float32Array(ear.fftSize);
      connect.call(this, ear);
      const timer = setInterval(() => {
        ear.getFloatTimeDomainData(samples);
        if (samples.some((s) => Math.abs(s) > 0.01)) window.heard.at = Date.now();
      }, 20);
      setTimeout(() => clearInterval(timer), 5000);
    }
    return connect.call(this, to);
  };
`;

/** Listens to what a page really plays, from its next navigation on. */
export async function listen(page: Page): Promise<void> {
  await page.addInitScript({ content: EAR });
}

/** When a page last played something, ms by its own clock; 0 when it never did. */
export const heardAt = (page: Page): Promise<number> =>
  page.evaluate(() => (window as unknown as { heard: { at: number } }).heard.at);
