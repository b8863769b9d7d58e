import { Alert, Button } from "@mui/material";
import { lazy } from "react";
import type { ComponentType, LazyExoticComponent } from "react";

/** A part of the page that is fetched once it is shown; where it does not come, that is said. */
export function lazily<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
): LazyExoticComponent<ComponentType<Props>> {
  return lazy(async () => ({ default: await load().catch(() => NotFetched) }));
}

function NotFetched() {
  return (
    <Alert
      severity="warning"
      sx={{ m: 2 }}
      action={<Button onClick={() => window.location.reload()}>Try again</Button>}
    >
      This part of the page did not come: the kitchen does not answer, or it was updated after this
      page was opened. An open bake day goes on by itself.
    </Alert>
  );
}
