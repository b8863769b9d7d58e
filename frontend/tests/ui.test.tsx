import { ThemeProvider } from "@mui/material";
import { cleanup, render, renderHook, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";

import { KitchenProblem } from "../src/api/client";
import { theme } from "../src/ui/theme";
import { typedCount } from "../src/domain/numbers";
import { Choice } from "../src/ui/Choice";
import { Figure, mayFlash } from "../src/ui/Figure";
import { Opens } from "../src/ui/Opens";
import { PickList } from "../src/ui/PickList";
import { Stepper } from "../src/ui/Stepper";
import { useBase } from "../src/ui/useBase";

afterEach(cleanup);

const show = (part: React.ReactNode) => render(<ThemeProvider theme={theme}>{part}</ThemeProvider>);

describe("Figure", () => {
  it("marks an assumed number and can be reached by keyboard", async () => {
    show(<Figure from={{ origin: "assumed", note: "wall 5 cm", assumptions: [] }}>5 cm</Figure>);
    const figure = screen.getByText("5 cm");
    expect(figure).toHaveAttribute("data-origin", "assumed");
    await userEvent.tab();
    expect(figure).toHaveFocus();
    await userEvent.hover(figure);
    expect(await screen.findByRole("tooltip")).toHaveTextContent("Assumed: wall 5 cm");
  });

  it("says what a worked out number rests on", async () => {
    show(
      <Figure from={{ origin: "worked_out", note: "4 × 50 g", assumptions: ["medium eggs"] }}>
        200 g
      </Figure>,
    );
    await userEvent.hover(screen.getByText("200 g"));
    expect(await screen.findByRole("tooltip")).toHaveTextContent("Rests on: medium eggs.");
  });
});

describe("the version a form saves over", () => {
  const meanwhile = () =>
    new KitchenProblem({
      type: "",
      status: 409,
      code: "edited_meanwhile",
      title: "",
      detail: "",
      errors: [],
    });
  const form = (version: number, error: unknown) =>
    renderHook((now: { version: number; error: unknown }) => useBase(now, now.error), {
      initialProps: { version, error },
    });

  it("is the one that was opened, however often the list is fetched anew", () => {
    const { result, rerender } = form(3, null);
    rerender({ version: 4, error: null });
    expect(result.current).toBe(3);
    rerender({ version: 4, error: new Error("no answer") });
    expect(result.current).toBe(3);
  });

  it("is the newest once its baker was told of the other change", () => {
    const { result, rerender } = form(3, null);
    rerender({ version: 4, error: meanwhile() });
    expect(result.current).toBe(4);
  });

  it("is not moved by what another form was told", () => {
    const before = meanwhile();
    const { result, rerender } = form(3, before);
    rerender({ version: 4, error: before });
    expect(result.current).toBe(3);
    rerender({ version: 5, error: meanwhile() });
    expect(result.current).toBe(5);
  });
});

describe("Stepper", () => {
  const stepper = (onChange: (value: number) => void) =>
    show(<Stepper label="Count" value={3} onChange={onChange} read={typedCount} />);

  it("steps by arrow and by button, and stops at its least", async () => {
    const onChange = vi.fn();
    stepper(onChange);
    await userEvent.type(screen.getByRole("spinbutton"), "{ArrowUp}");
    expect(onChange).toHaveBeenLastCalledWith(4);
    await userEvent.click(screen.getByRole("button", { name: "Less: Count" }));
    expect(onChange).toHaveBeenLastCalledWith(2);
  });

  it("marks what it cannot read and reports nothing", async () => {
    const onChange = vi.fn();
    stepper(onChange);
    await userEvent.clear(screen.getByRole("spinbutton"));
    await userEvent.type(screen.getByRole("spinbutton"), "few");
    expect(screen.getByRole("alert")).toHaveTextContent("Type a number.");
    expect(onChange).not.toHaveBeenCalled();
  });
});

describe("Choice", () => {
  it("moves by arrow and wraps round", async () => {
    const onChange = vi.fn();
    const options = [
      { value: "a", label: "A" },
      { value: "b", label: "B" },
    ] as const;
    show(<Choice label="Which" value="b" options={options} onChange={onChange} />);
    await userEvent.tab();
    await userEvent.keyboard("{ArrowRight}");
    expect(onChange).toHaveBeenCalledWith("a");
  });
});

describe("the flash of a changed number", () => {
  it("comes once for an answer, and not while counts are stepped quickly", () => {
    const start = 1e9;
    expect(mayFlash(start)).toBe(true);
    expect(mayFlash(start + 10)).toBe(true);
    expect(mayFlash(start + 300)).toBe(false);
    expect(mayFlash(start + 310)).toBe(false);
    expect(mayFlash(start + 900)).toBe(false);
    expect(mayFlash(start + 2000)).toBe(true);
  });
});

describe("PickList", () => {
  const rows = [
    { value: "full", label: "All round", does: "Crumb coat first." },
    { value: "top", label: "On top alone" },
    { value: "none", label: "None" },
  ] as const;

  it("is one stop of the tab, at what is chosen or at the first", () => {
    const { rerender } = show(
      <PickList label="Coat" value="top" options={rows} onChange={vi.fn()} />,
    );
    const stops = () =>
      screen
        .getAllByRole("radio")
        .filter((one) => one.tabIndex === 0)
        .map((one) => one.textContent);
    expect(stops()).toEqual(["On top alone"]);
    rerender(
      <ThemeProvider theme={theme}>
        <PickList<string> label="Coat" value="" options={rows} onChange={vi.fn()} />
      </ThemeProvider>,
    );
    expect(stops()).toEqual(["All roundCrumb coat first."]);
  });

  it("moves up round its end, and leaves other keys alone", async () => {
    const onChange = vi.fn();
    show(<PickList label="Coat" value="full" options={rows} onChange={onChange} />);
    await userEvent.tab();
    await userEvent.keyboard("x{Home}");
    expect(onChange).not.toHaveBeenCalled();
    await userEvent.keyboard("{ArrowUp}");
    expect(onChange).toHaveBeenCalledWith("none");
    expect(screen.getByRole("radio", { name: "None" })).toHaveFocus();
  });
});

describe("a word that opens", () => {
  it("says what it is about and what is chosen, and closes by key with the focus back", async () => {
    show(
      <Opens label="Soak" words="soak 5 %">
        {() => <button>Less</button>}
      </Opens>,
    );
    const word = screen.getByRole("button", { name: "Soak: soak 5 %" });
    expect(word).toHaveAttribute("aria-expanded", "false");
    expect(screen.queryByText("Less")).toBeNull();
    await userEvent.click(word);
    expect(screen.getByRole("dialog", { name: "Soak" })).toBeVisible();
    await userEvent.keyboard("{Escape}");
    expect(screen.queryByRole("dialog")).toBeNull();
    expect(word).toHaveFocus();
  });

  it("can be opened from elsewhere, and says when it was closed", async () => {
    const onClosed = vi.fn();
    show(
      <Opens label="Coat" words="coat 0.5 cm" opened onClosed={onClosed}>
        {(close) => <button onClick={close}>Done</button>}
      </Opens>,
    );
    await userEvent.click(screen.getByRole("button", { name: "Done" }));
    expect(onClosed).toHaveBeenCalledOnce();
  });
});
