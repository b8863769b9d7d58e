import "@testing-library/jest-dom/vitest";

import { configure } from "@testing-library/react";

configure({ asyncUtilTimeout: 8_000 });
