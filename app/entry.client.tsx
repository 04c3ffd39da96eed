import { StrictMode, startTransition } from "react";
import { hydrateRoot } from "react-dom/client";
import { HydratedRouter } from "react-router/dom";
import { keepInstallOffer } from "./live/device/install";
import { keepPages } from "./outbox/install";
import { guardEnter } from "./ui/form/no-enter";

keepPages();
keepInstallOffer();
guardEnter();

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <HydratedRouter />
    </StrictMode>,
  );
});
