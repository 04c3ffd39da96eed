import { useState } from "react";
import { Form, href, Link } from "react-router";
import { TREATMENTS, notPackedWords } from "#core/lot";
import { formatMassShort } from "#core/quantity";
import { FORM_NAMES, formsFor, groupOf } from "#core/species";
import { expectedKg, learnedYield, TYPICAL_CHANGE } from "#core/yield";
import { Button } from "#ui/button";
import { Notice, PickField, TextField, keyFor } from "#ui/form";
import { lotAmount } from "../../../words/lot";
import { fieldTime } from "../../../words/time";
import { DeedForm, type DeedProps } from "./deed";
import { ThawForm } from "./thaw-form";

/** What can be done with a lot as it stands: the next thing open, the rest one tap away. */
export function Deeds(props: DeedProps) {
  const { lot, key } = props.data;
  const frozen = lot.kept === "freezer";
  return (
    <section aria-label="Actions">
      {lot.notPackable === null && (
        <Button asChild weight="do" className="mb-3">
          <Link to={`${href("/pack")}?lot=${lot.id}`}>Pack this lot</Link>
        </Button>
      )}
      {(lot.notPackable === "old" || lot.notPackable === "warm") && <AccountForm {...props} />}
      {lot.kept === "thawing" && (
        <Form method="post" className="mb-3">
          <input type="hidden" name="key" value={keyFor(key, "thawed")} />
          <Button weight="do" name="intent" value="thawed">
            Mark as thawed to the middle
          </Button>
        </Form>
      )}
      {frozen ? <ThawForm {...props} /> : <FreezeForm {...props} />}
      {!frozen && <ChangeForm {...props} />}
      <SplitForm {...props} />
      {!frozen && lot.form !== "broth" && lot.form !== "bones" && <RecutForm {...props} />}
      {!frozen && lot.form === "bones" && <BrothForm {...props} />}
      <LeaveForm {...props} />
      <MoveForm {...props} />
      <OwnerForm {...props} />
    </section>
  );
}

/** Past its days or too long warm: it is not canned until somebody says, with a reason, where it really was. */
function AccountForm(props: DeedProps) {
  const { lot, now, times } = props.data;
  const old = lot.notPackable === "old";
  return (
    <Notice tone="stop" className="mb-4">
      <p className="text-[1.15rem] font-[650]">{notPackedWords(lot.notPackable!, lot)}</p>
      <DeedForm
        {...props}
        title={old ? "Correct the record: where it really was" : "Correct the temperature log"}
        intent="account"
        ownButton
        className="grid items-end gap-3 text-ink sm:grid-cols-[1fr_15rem_auto]"
      >
        {(field) => (
          <>
            <input type="hidden" name="of" value={old ? "refrigerator" : "warm"} />
            <TextField
              field={field("reason")}
              label={old ? "Where it really was" : "What is wrong with the log"}
              hint="Kept for good, with your name."
            />
            {old && (
              <TextField
                field={field("since")}
                label="In the refrigerator since"
                type="datetime-local"
                max={fieldTime(now, times.zone)}
              />
            )}
            <Button>Correct the record</Button>
          </>
        )}
      </DeedForm>
    </Notice>
  );
}

function FreezeForm(props: DeedProps) {
  const { lot, now, times } = props.data;
  return (
    <DeedForm
      {...props}
      title={lot.kept === "thawing" ? "Freeze it again" : "Freeze it"}
      intent="freeze"
      className="grid items-end gap-3 sm:grid-cols-[1fr_15rem_auto]"
    >
      {(field) => (
        <>
          <TextField
            field={field("place")}
            label="Which freezer, which drawer"
            defaultValue={lot.place ?? undefined}
          />
          <TextField
            field={field("at")}
            label="When"
            type="datetime-local"
            max={fieldTime(now, times.zone)}
            hint="Leave blank for now."
          />
          <Button>Freeze it</Button>
        </>
      )}
    </DeedForm>
  );
}

const CHANGES = {
  cook: "cooked",
  trim: "trimmed again",
  brine: "brined",
  smoke: "smoked",
  weigh: "only weighed again",
} as const;
type Change = keyof typeof CHANGES;

function ChangeForm(props: DeedProps) {
  const { lot } = props.data;
  const [kind, setKind] = useState<Change>("cook");
  const kinds = (["cook", ...TREATMENTS.filter((t) => t !== "cook"), "weigh"] as const).filter(
    (k) => k !== "smoke" || groupOf(lot.species) === "fish",
  );
  return (
    <DeedForm
      {...props}
      title="Cook, trim, brine, smoke or weigh again"
      intent="change"
      className="space-y-3"
    >
      {(field) => (
        <>
          <PickField
            field={field("kind")}
            label="What was done"
            onPick={(v) => setKind(v as Change)}
            options={kinds.map((k) => ({ value: k, label: CHANGES[k] }))}
          />
          {kind === "brine" && (
            <div className="flex flex-wrap items-end gap-3">
              <TextField
                field={field("salt")}
                label="Salt in the water (optional)"
                hint={
                  props.data.units === "us"
                    ? "Example: 1 cup in 1 gal, or 6 %"
                    : "Example: 80 g in 1 l, or 6 %"
                }
                className="w-64"
              />
              <TextField
                field={field("minutes")}
                label="Minutes in it"
                inputMode="numeric"
                className="w-40"
              />
            </div>
          )}
          <div className="flex flex-wrap items-end gap-3">
            <TextField field={field("afterKg")} label="Weight now" className="w-48" />
            <Button>Record it</Button>
            <ChangeExpected data={props.data} kind={kind} />
          </div>
        </>
      )}
    </DeedForm>
  );
}

/** What is likely to be left after a change, from common practice and the household's own pots. */
function ChangeExpected({ data, kind }: { data: DeedProps["data"]; kind: Change }) {
  const { lot, changes, units, me } = data;
  if (kind === "weigh") return null;
  const expected = learnedYield(TYPICAL_CHANGE[kind], changes[kind], me.id);
  return (
    <p className="text-[0.95rem] text-soft">
      Expect about <b className="text-ink">{formatMassShort(expectedKg(lot.leftKg, expected).kg, units)}</b>{" "}
      of {formatMassShort(lot.leftKg, units)}
      {expected.cases ? `, from ${expected.cases} of your own.` : " (common practice)."}
    </p>
  );
}

function SplitForm(props: DeedProps) {
  return (
    <DeedForm
      {...props}
      title="Split the lot"
      intent="split"
      className="grid items-end gap-3 sm:grid-cols-[10rem_1fr_1fr_auto]"
    >
      {(field) => (
        <>
          <TextField field={field("massKg")} label="Weight" />
          <TextField
            field={field("part")}
            label="Name of the new lot"
            hint={`empty: ${props.data.lot.part}`}
          />
          <TextField field={field("forWhom")} label="Owner" hint="Leave blank to keep the current owner." />
          <Button>Split lot</Button>
        </>
      )}
    </DeedForm>
  );
}

function RecutForm(props: DeedProps) {
  const { lot, units } = props.data;
  return (
    <DeedForm {...props} title="Cut into another form" intent="recut" className="space-y-3">
      {(field) => (
        <>
          <PickField
            field={field("form")}
            label="Cut to"
            options={formsFor(groupOf(lot.species)).map((f) => ({ value: f, label: FORM_NAMES[f] }))}
          />
          <div className="grid items-end gap-3 sm:grid-cols-[1fr_1fr_1fr_auto]">
            <TextField
              field={field("inKg")}
              label="Weight in"
              placeholder={lotAmount(lot.form, lot.leftKg, units)}
            />
            <TextField field={field("outKg")} label="Weight out" />
            <TextField field={field("trimKg")} label="Trim (optional)" />
            <Button>Make the lot</Button>
          </div>
        </>
      )}
    </DeedForm>
  );
}

function BrothForm(props: DeedProps) {
  return (
    <DeedForm
      {...props}
      title="Make broth from bones"
      intent="broth"
      open
      className="grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]"
    >
      {(field) => (
        <>
          <TextField field={field("bonesKg")} label="Bones that went in" />
          <TextField
            field={field("litres")}
            label="Broth that came out"
            hint={props.data.units === "us" ? "Without a unit: quarts" : "Without a unit: liters"}
          />
          <Button>Make the broth</Button>
        </>
      )}
    </DeedForm>
  );
}

function LeaveForm(props: DeedProps) {
  const held = props.data.lot.holds.length > 0;
  return (
    <DeedForm
      {...props}
      title="Eaten, given away or thrown out"
      intent="leave"
      ownButton
      className="space-y-3"
    >
      {(field) => (
        <>
          <PickField
            field={field("kind")}
            label="What was done"
            fallback={held ? "discard" : "eat"}
            options={[
              { value: "eat", label: "eaten", disabled: held },
              { value: "give", label: "given away", disabled: held },
              { value: "discard", label: "thrown out" },
            ]}
          />
          <div className="grid items-end gap-3 sm:grid-cols-[10rem_1fr_auto]">
            <TextField field={field("massKg")} label="Weight" />
            <TextField field={field("to")} label="To whom, or why" />
            <Button>Record it</Button>
          </div>
        </>
      )}
    </DeedForm>
  );
}

function MoveForm(props: DeedProps) {
  return (
    <DeedForm {...props} title="Location" intent="move" className="flex items-end gap-2">
      {(field) => (
        <>
          <TextField
            field={field("place")}
            label="Shelf, drawer or box"
            defaultValue={props.data.lot.place ?? undefined}
            className="grow"
          />
          <Button>Save location</Button>
        </>
      )}
    </DeedForm>
  );
}

function OwnerForm(props: DeedProps) {
  return (
    <DeedForm {...props} title="Owner" intent="owner" className="flex items-end gap-2">
      {(field) => (
        <>
          <TextField
            field={field("forWhom")}
            label="Owner"
            hint="Leave blank for the household."
            defaultValue={props.data.lot.forWhom ?? undefined}
            className="grow"
          />
          <Button>Save owner</Button>
        </>
      )}
    </DeedForm>
  );
}
