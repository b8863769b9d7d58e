import { SvgIcon } from "@mui/material";
import type { SvgIconProps } from "@mui/material";

/** Strokes of one weight, drawn for this product. */
function Stroke({ d, ...props }: SvgIconProps & { d: string }) {
  return (
    <SvgIcon viewBox="0 0 24 24" {...props}>
      <path
        d={d}
        fill="none"
        stroke="currentColor"
        strokeWidth="1.8"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </SvgIcon>
  );
}

export const CloseIcon = (p: SvgIconProps) => <Stroke d="M6 6l12 12M18 6L6 18" {...p} />;
export const PrintIcon = (p: SvgIconProps) => (
  <Stroke d="M7 9V4h10v5M7 17H4v-7h16v7h-3M7 14h10v6H7z" {...p} />
);
export const LinkIcon = (p: SvgIconProps) => (
  <Stroke
    d="M10 14a4 4 0 005.7 0l3-3a4 4 0 00-5.7-5.7l-1 1M14 10a4 4 0 00-5.7 0l-3 3A4 4 0 0011 18.7l1-1"
    {...p}
  />
);
export const SaveIcon = (p: SvgIconProps) => (
  <Stroke d="M12 4v10M8 10l4 4 4-4M5 18v2h14v-2" {...p} />
);
export const KeepIcon = (p: SvgIconProps) => <Stroke d="M6 4h12v16l-6-4-6 4z" {...p} />;
export const OrderIcon = (p: SvgIconProps) => (
  <Stroke d="M5 6h14v14H5zM5 10h14M9 3v4M15 3v4M9 15l2 2 4-4" {...p} />
);
export const StartIcon = (p: SvgIconProps) => <Stroke d="M7 5l12 7-12 7z" {...p} />;
export const DayIcon = (p: SvgIconProps) => (
  <Stroke
    d="M12 8a4 4 0 100 8 4 4 0 000-8zM12 3v2M12 19v2M3 12h2M19 12h2M6 6l1 1M17 17l1 1M18 6l-1 1M7 17l-1 1"
    {...p}
  />
);
export const NightIcon = (p: SvgIconProps) => (
  <Stroke d="M19 14A8 8 0 0110 5a8 8 0 109 9z" {...p} />
);
export const OpenIcon = (p: SvgIconProps) => <Stroke d="M6 9l6 6 6-6" {...p} />;
export const TickIcon = (p: SvgIconProps) => <Stroke d="M5 12.5l4.5 4.5L19 7.5" {...p} />;
export const StopIcon = (p: SvgIconProps) => (
  <Stroke d="M8 3h8l5 5v8l-5 5H8l-5-5V8zM12 8v5M12 16.5v.1" {...p} />
);
export const CareIcon = (p: SvgIconProps) => <Stroke d="M12 4l9 16H3zM12 10v4M12 17v.1" {...p} />;
export const NoteIcon = (p: SvgIconProps) => <Stroke d="M5 4h14v12l-4 4H5zM9 9h6M9 13h4" {...p} />;
export const MoreIcon = (p: SvgIconProps) => <Stroke d="M12 5.5v.1M12 12v.1M12 18.5v.1" {...p} />;
export const UndoIcon = (p: SvgIconProps) => (
  <Stroke d="M8 5L4 9l4 4M4 9h10a5 5 0 010 10H9" {...p} />
);
export const RedoIcon = (p: SvgIconProps) => (
  <Stroke d="M16 5l4 4-4 4M20 9H10a5 5 0 000 10h5" {...p} />
);
export const UpIcon = (p: SvgIconProps) => <Stroke d="M12 19V5M6 11l6-6 6 6" {...p} />;
export const DownIcon = (p: SvgIconProps) => <Stroke d="M12 5v14M6 13l6 6 6-6" {...p} />;
export const AskIcon = (p: SvgIconProps) => (
  <Stroke d="M8.5 9a3.5 3.5 0 116 2.5c-1.3 1.2-2.5 1.8-2.5 3.5M12 18.9v.1" {...p} />
);
