import { Alert, Box, Button, Typography } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useRef } from "react";
import type { MouseEvent } from "react";

import { answered, client } from "../../api/client";
import type { CardPan } from "../../api/client";
import { FileInput } from "../../ui/FileInput";

export type Points = CardPan["measures"]["points"];

const SIZE = 220;

interface DrawPadProps {
  points: Points;
  onChange: (points: Points) => void;
  problem?: string | undefined;
}

/** Draw an outline corner by corner, or take one traced as SVG; its width is typed beside it. */
export function DrawPad({ points, onChange, problem }: DrawPadProps) {
  const input = useRef<HTMLInputElement>(null);
  const read = useMutation({
    mutationFn: async (file: File) =>
      answered(await client.POST("/api/readings/outline", { body: { text: await file.text() } })),
    onSuccess: (answer) => onChange(answer.points),
  });
  const add = (event: MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const x = ((event.clientX - box.left) / box.width) * SIZE;
    const y = ((event.clientY - box.top) / box.height) * SIZE;
    onChange([...points, [Math.round(x), Math.round(SIZE - y)]]);
  };
  const corners = points.map(([x = 0, y = 0]) => ({ x, y }));
  const traced = corners.some(({ x, y }) => x < 0 || y < 0 || x > SIZE || y > SIZE);
  const drawn = corners.map(({ x, y }) => `${String(x)},${String(SIZE - y)}`).join(" ");
  return (
    <Box sx={{ width: SIZE }}>
      <Box
        component="svg"
        viewBox={`0 0 ${String(SIZE)} ${String(SIZE)}`}
        role="img"
        aria-label={`Drawing pad, ${String(points.length)} corners`}
        onClick={add}
        sx={(t) => ({
          width: "100%",
          border: `1.5px solid ${t.vars.palette.bench.rim}`,
          borderRadius: 1,
          cursor: "crosshair",
          bgcolor: "background.default",
          "& polygon": {
            fill: t.vars.palette.bench.butterTint,
            stroke: t.vars.palette.bench.rim,
            strokeWidth: 2,
          },
          "& circle": { fill: t.vars.palette.bench.rim },
        })}
      >
        {!traced && <polygon points={drawn} />}
        {!traced && corners.map(({ x, y }, i) => <circle key={i} cx={x} cy={SIZE - y} r={3} />)}
      </Box>
      <Typography color="textSecondary" sx={{ fontSize: "size.small", lineHeight: 1.25 }}>
        {traced
          ? `Traced: ${String(points.length)} corners.`
          : "Tap corner by corner round the pan."}
      </Typography>
      <Button disabled={points.length === 0} onClick={() => onChange(points.slice(0, -1))}>
        One back
      </Button>
      <Button disabled={points.length === 0} onClick={() => onChange([])}>
        Clear
      </Button>
      <Button onClick={() => input.current?.click()}>Take an SVG</Button>
      <FileInput
        handle={input}
        accept=".svg,image/svg+xml"
        testId="outline-file"
        onFile={(chosen) => read.mutate(chosen)}
      />
      {(read.error ?? problem) && (
        <Alert severity="error" sx={{ py: 0 }}>
          {read.error?.message ?? problem}
        </Alert>
      )}
    </Box>
  );
}
