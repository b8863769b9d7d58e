import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import "@fontsource-variable/bricolage-grotesque/wght.css";

import { StrictMode } from "react";
import { createRoot } from "react-dom/client";

import { App } from "./app/App";
import { standByAsApp } from "./offline/keeping";

const root = document.getElementById("root");
if (!root) throw new Error("The page has no root to draw in.");
createRoot(root).render(
  <StrictMode>
    <App />
  </StrictMode>,
);
standByAsApp();
