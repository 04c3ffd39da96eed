import { execFileSync, spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "vitest";
import { entryFor, type Started } from "./entry";

const started: Started = {
  node: process.execPath,
  program: process.execPath.replace(/\/[^/]+$/, ""),
  data: "/srv/the larder & 100 % salt",
  home: "/home/ada",
  args: ["--network"],
};

const VERIFIER = spawnSync("systemd-analyze", ["--version"]).status === 0;

// systemd's own check of a unit; a machine without systemd cannot ask it.
test.skipIf(!VERIFIER)("systemd takes the unit as it is", () => {
  const folder = mkdtempSync(join(tmpdir(), "larder-unit-"));
  const path = join(folder, "patient-larder.service");
  writeFileSync(path, entryFor("linux", started)!.text);
  const { stdout, stderr } = spawnSync("systemd-analyze", ["verify", "--user", path], { encoding: "utf8" });
  const about = `${stdout}${stderr}`.split("\n").filter((line) => line.includes("patient-larder"));
  expect(about).toEqual([]);
  rmSync(folder, { recursive: true });
});

test("a unit starts the server again whatever ended it, with names of folders kept whole", () => {
  const { text, path, off } = entryFor("linux", { ...started, program: "/opt/my larder" })!;
  expect(path).toBe("/home/ada/.config/systemd/user/patient-larder.service");
  expect(text).toContain('"/opt/my larder/server.js" "--network"');
  expect(text).toContain('"LARDER_DATA=/srv/the larder & 100 %% salt"');
  expect(text).toMatch(/Restart=always\nRestartSec=2/);
  expect(off).toEqual(["systemctl --user disable --now patient-larder"]);
});

test("a property list is XML whatever a folder is called", () => {
  const { text } = entryFor("darwin", started)!;
  const folder = mkdtempSync(join(tmpdir(), "larder-plist-"));
  const path = join(folder, "a.plist");
  writeFileSync(path, text);
  // Python's own reader of property lists.
  const read = JSON.parse(
    execFileSync(
      "python3",
      ["-c", "import plistlib,json,sys;print(json.dumps(plistlib.load(open(sys.argv[1],'rb'))))", path],
      { encoding: "utf8" },
    ),
  ) as Record<string, unknown>;
  expect(read).toMatchObject({
    Label: "patient-larder",
    KeepAlive: true,
    RunAtLoad: true,
    EnvironmentVariables: { LARDER_DATA: started.data },
  });
  expect(read.ProgramArguments).toEqual([started.node, `${started.program}/server.js`, "--network"]);
  rmSync(folder, { recursive: true });
});

test("a task of Windows keeps folders with spaces and per cents", () => {
  const entry = entryFor("win32", {
    node: "C:\\Program Files\\nodejs\\node.exe",
    program: "D:\\My larder",
    data: "D:\\100 % salt",
    home: "C:\\Users\\ada",
    args: [],
  })!;
  expect(entry.path).toBe("D:\\My larder\\patient-larder.cmd");
  expect(entry.text).toContain(
    'set "LARDER_DATA=D:\\100 %% salt"\r\n"C:\\Program Files\\nodejs\\node.exe" server.js\r\n',
  );
  expect(entry.on[0]).toContain('/TR "\\"D:\\My larder\\patient-larder.cmd\\""');
});

test("a system nobody knows here is not guessed at", () => expect(entryFor("sunos", started)).toBeNull());
