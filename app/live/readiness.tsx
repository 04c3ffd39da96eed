import { useEffect, useState } from "react";
import { Button } from "#ui/button";
import { AskDialog } from "#ui/dialog";
import { larderTime, useKeeps } from "../outbox";
import { useAwake, type Awake } from "./awake";
import { DeviceLines } from "./device/lines";
import { Line } from "./device/line";
import { useHeard } from "./feed";
import { say, sound, switchSound, switchSpeech, useSound, useSpeaks } from "./sound";

const SOUND_SAID = {
  on: "Sound is on",
  off: "Sound is off",
  locked: "Tap once to switch sound on",
};

const SOUND_SHORT = { on: "Sound ✓", off: "Sound off", locked: "Tap for sound" };

const TITLE = "Can this screen be relied on?";

/** At the stove: whether this screen can be relied on while somebody is in another room, in a word, and the check behind it. */
export function Readiness() {
  const [open, setOpen] = useState(false);
  const state = useSound();
  const awake = useAwake();
  const { deafSince } = useHeard();
  const well = state === "on" && awake === "awake" && deafSince === null;
  return (
    <AskDialog
      trigger={
        <button
          type="button"
          className="flex min-h-12 min-w-12 items-center px-4 text-[0.92rem] font-[600] max-md:px-2"
          aria-label={`${SOUND_SAID[state]}. Check this screen`}
        >
          <span className="max-md:hidden">
            {well ? "✓ Sound is on" : state === "on" ? "Check this screen" : SOUND_SAID[state]}
          </span>
          <span className="md:hidden">{SOUND_SHORT[state]}</span>
        </button>
      }
      title={TITLE}
      open={open}
      onOpenChange={setOpen}
    >
      <Checks awake={awake} />
      <Back to="Back to the stove" close={() => setOpen(false)} />
    </AskDialog>
  );
}

/** The same check before a run, from any page. */
export function CheckScreen() {
  const [open, setOpen] = useState(false);
  return (
    <AskDialog
      trigger={<Button type="button">Check this screen</Button>}
      title={TITLE}
      open={open}
      onOpenChange={setOpen}
    >
      <ChecksNow />
      <Back to="Done" close={() => setOpen(false)} />
    </AskDialog>
  );
}

/** The check itself. Asks for the screen to stay awake only while the answer is looked at. */
export const ChecksNow = () => <Checks awake={useAwake()} />;

const Back = ({ to, close }: { to: string; close: () => void }) => (
  <div className="mt-4">
    <Button type="button" onClick={close}>
      {to}
    </Button>
  </div>
);

function Checks({ awake }: { awake: Awake }) {
  const state = useSound();
  const spoken = useSpeaks();
  const { deafSince, word } = useHeard();
  const [heard, setHeard] = useState<boolean | null>(null);
  const [off, setOff] = useState<number | null>(null);
  const stored = useKeeps();
  useEffect(() => {
    setOff(Math.round((Date.now() - larderTime()) / 1000));
  }, [word]);
  const clockOff = off !== null && Math.abs(off) > 60;
  return (
    <ul>
      <Line
        good={state === "on" && heard !== false}
        what={state === "on" ? "Sound is on" : SOUND_SAID[state]}
      >
        <Button
          type="button"
          onClick={() => {
            switchSound(true);
            // The browser needs a moment to wake its sound.
            setTimeout(() => sound("below-target", 2), 150);
            setHeard(null);
          }}
        >
          Play an alarm
        </Button>
        {state === "on" && (
          <>
            <span className="flex items-center gap-2">
              Did you hear it?
              <Button type="button" aria-pressed={heard === true} onClick={() => setHeard(true)}>
                Yes
              </Button>
              <Button type="button" aria-pressed={heard === false} onClick={() => setHeard(false)}>
                No
              </Button>
            </span>
            <Button type="button" weight="bare" onClick={() => switchSound(false)}>
              Switch sound off
            </Button>
          </>
        )}
        {heard === false && <p>Turn the volume up, and switch silent mode off. Then play it again.</p>}
      </Line>
      <Line choice good={spoken} what={spoken ? "Alarms are spoken" : "Alarms are not spoken"}>
        <Button
          type="button"
          onClick={() => {
            switchSpeech(!spoken);
            if (!spoken) say("Alarms are spoken on this screen.");
          }}
        >
          {spoken ? "Stop speaking" : "Speak alarms"}
        </Button>
      </Line>
      <Line
        good={awake === "awake"}
        what={awake === "awake" ? "This screen stays awake" : "This screen may fall asleep"}
      >
        {awake !== "awake" && (
          <p>
            Set the screen timeout of this device to the longest, and plug it in. A sleeping screen is silent.
          </p>
        )}
      </Line>
      <Line good={!clockOff} what={clockOff ? "The clock of this device is off" : "The clock is right"}>
        {clockOff && (
          <p>
            It is {Math.abs(off)} s {off > 0 ? "ahead of" : "behind"} Patient Larder’s. Set it to automatic.
          </p>
        )}
      </Line>
      <Line
        good={deafSince === null}
        what={deafSince === null ? "Connected to Patient Larder" : "Not connected to Patient Larder"}
      >
        {deafSince !== null && <p>Alarms from other screens do not arrive. Check the network.</p>}
      </Line>
      <Line
        good={stored}
        what={stored ? "Entries are saved on this device" : "Entries are not saved on this device"}
      >
        {!stored && (
          <p>
            This browser keeps nothing: a private window, or a full disk. Use another window, so that nothing
            is lost.
          </p>
        )}
      </Line>
      <DeviceLines />
    </ul>
  );
}
