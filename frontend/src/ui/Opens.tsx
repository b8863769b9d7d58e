import { ButtonBase, Popover } from "@mui/material";
import type { PopoverActions } from "@mui/material";
import { useCallback, useRef, useState } from "react";
import type { ReactNode } from "react";

interface OpensProps {
  /** What is chosen here, for those who do not see the line it stands in. */
  label: string;
  /** What is chosen now, in words. */
  words: ReactNode;
  children: (close: () => void) => ReactNode;
  /** Whether it reads as a quiet note and not as part of the sentence. */
  quiet?: boolean;
  /** Opened from elsewhere too: a part of a drawing it belongs to. */
  opened?: boolean;
  onClosed?: () => void;
}

/** A word of a line that opens its choices: underlined in butter, with a small arrow. */
export function Opens(props: OpensProps) {
  const { label, words, children, quiet = false, opened = false, onClosed } = props;
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const button = useRef<HTMLButtonElement>(null);
  const close = () => {
    setAnchor(null);
    onClosed?.();
  };
  const open = anchor !== null || opened;
  const place = useRef<PopoverActions>(null);
  // What is listed may come a moment after it opened; it still has to stand on the screen.
  const content = useCallback((element: HTMLElement | null) => {
    if (element === null || typeof ResizeObserver === "undefined") return undefined;
    const watch = new ResizeObserver(() => place.current?.updatePosition());
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return (
    <>
      <ButtonBase
        ref={button}
        aria-label={typeof words === "string" ? `${label}: ${words}` : undefined}
        aria-haspopup="dialog"
        aria-expanded={open}
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={(t) => ({
          minHeight: 44,
          fontFamily: t.typography.fontFamily,
          fontSize: quiet ? "size.small" : "inherit",
          fontWeight: quiet ? 500 : 700,
          color: quiet ? "text.secondary" : "text.primary",
          textAlign: "left",
          lineHeight: 1.2,
          borderRadius: 1,
          "& > .words": { borderBottom: `2px solid ${t.vars.palette.bench.butter}` },
        })}
      >
        <span className="words">
          {words}
          <span aria-hidden>{" ▾"}</span>
        </span>
      </ButtonBase>
      <Popover
        open={open}
        anchorEl={() => anchor ?? button.current}
        onClose={close}
        action={place}
        transitionDuration={0}
        anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
        slotProps={{
          paper: {
            role: "dialog",
            "aria-label": label,
            sx: {
              p: 2,
              // Never wider than a phone: what hangs off its edge could not be read or tapped.
              maxWidth: "min(460px, calc(100vw - 32px))",
              borderRadius: 2,
              border: 1,
              borderColor: "divider",
            },
          },
        }}
      >
        {open && <div ref={content}>{children(close)}</div>}
      </Popover>
    </>
  );
}
