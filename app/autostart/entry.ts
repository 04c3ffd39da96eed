import { posix, win32 } from "node:path";
import { escaped } from "../server/plain-page";

/** How the program is started on this machine. */
export interface Started {
  /** the Node that runs it, whole path */
  node: string;
  /** folder of the program, whole path */
  program: string;
  /** the larder's data folder, whole path */
  data: string;
  /** home folder of who starts it, whole path */
  home: string;
  /** what follows `server.js`: `--network`, or nothing */
  args: readonly string[];
}

/** What makes a system start the larder by itself, and how somebody switches it on, looks at it and takes it off. */
export interface Entry {
  /** file to write; null where the system keeps it itself */
  path: string | null;
  text: string;
  /** commands that switch it on, one a line */
  on: string[];
  /** commands that show how it goes */
  look: string[];
  /** commands that take it off again */
  off: string[];
}

/** Returns the entry for a system. Null for one that is not known here. */
export function entryFor(platform: string, started: Started): Entry | null {
  if (platform === "linux") return systemd(started);
  if (platform === "darwin") return launchd(started);
  if (platform === "win32") return scheduled(started);
  return null;
}

/** A word of a unit file: in quotes, with what systemd would read as its own doubled (systemd.service(5)). */
const quoted = (text: string) =>
  `"${text.replace(/[\\"]/g, "\\$&").replaceAll("%", "%%").replaceAll("$", "$$$$")}"`;

function systemd({ node, program, data, home, args }: Started): Entry {
  const words = [node, posix.join(program, "server.js"), ...args].map(quoted).join(" ");
  return {
    path: posix.join(home, ".config/systemd/user/patient-larder.service"),
    text: `[Unit]
Description=Patient Larder
# The clock of a machine that was without power is right sooner with the network there.
Wants=network-online.target
After=network-online.target

[Service]
ExecStart=${words}
WorkingDirectory=${program.replaceAll("%", "%%")}
Environment=NODE_ENV=production ${quoted(`LARDER_DATA=${data}`).replaceAll("$$", "$")}
Restart=always
RestartSec=2

[Install]
WantedBy=default.target
`,
    on: [
      "systemctl --user daemon-reload",
      "systemctl --user enable --now patient-larder",
      "loginctl enable-linger",
    ],
    look: ["systemctl --user status patient-larder", "journalctl --user -u patient-larder"],
    off: ["systemctl --user disable --now patient-larder"],
  };
}

function launchd({ node, program, data, home, args }: Started): Entry {
  const path = posix.join(home, "Library/LaunchAgents/patient-larder.plist");
  const strings = [node, posix.join(program, "server.js"), ...args]
    .map((a) => `    <string>${escaped(a)}</string>`)
    .join("\n");
  return {
    path,
    text: `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE plist PUBLIC "-//Apple//DTD PLIST 1.0//EN" "http://www.apple.com/DTDs/PropertyList-1.0.dtd">
<plist version="1.0">
<dict>
  <key>Label</key><string>patient-larder</string>
  <key>ProgramArguments</key>
  <array>
${strings}
  </array>
  <key>WorkingDirectory</key><string>${escaped(program)}</string>
  <key>EnvironmentVariables</key>
  <dict>
    <key>NODE_ENV</key><string>production</string>
    <key>LARDER_DATA</key><string>${escaped(data)}</string>
  </dict>
  <key>RunAtLoad</key><true/>
  <key>KeepAlive</key><true/>
</dict>
</plist>
`,
    on: [`launchctl load -w "${path}"`],
    look: ["launchctl list patient-larder"],
    off: [`launchctl unload -w "${path}"`],
  };
}

function scheduled({ node, program, data, args }: Started): Entry {
  const file = win32.join(program, "patient-larder.cmd");
  const said = args.length ? ` ${args.join(" ")}` : "";
  return {
    path: file,
    text: [
      "@echo off",
      `cd /d "${program}"`,
      "set NODE_ENV=production",
      `set "LARDER_DATA=${data.replaceAll("%", "%%")}"`,
      `"${node}" server.js${said}`,
      "",
    ].join("\r\n"),
    on: [`schtasks /Create /F /SC ONLOGON /TN "Patient Larder" /TR "\\"${file}\\""`],
    look: ['schtasks /Query /TN "Patient Larder"'],
    off: ['schtasks /Delete /F /TN "Patient Larder"'],
  };
}
