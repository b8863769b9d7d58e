import { Alert, Box, Button, Menu, MenuItem } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";

import { answered, client } from "../../api/client";
import type { paths } from "../../api/api-schema";
import { FileInput } from "../../ui/FileInput";

type LogFile = paths["/api/bakes/file"]["post"]["requestBody"]["content"]["application/json"];

/** The logbook as a file: out for a spreadsheet or another kitchen, and in from one. */
export function LogFiles() {
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const bring = useMutation({
    mutationFn: async (chosen: File) => {
      let body: LogFile;
      try {
        body = JSON.parse(await chosen.text()) as LogFile;
      } catch {
        throw new Error("This file is no logbook of Entremet. Choose the JSON that one wrote.");
      }
      return answered(await client.POST("/api/bakes/file", { body }));
    },
  });
  const close = () => setMenu(null);
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => setMenu(event.currentTarget)}>
        Files
      </Button>
      <Menu open={menu !== null} anchorEl={menu} onClose={close}>
        <MenuItem component="a" href="/api/bakes/file.csv" download onClick={close}>
          As a table (CSV)
        </MenuItem>
        <MenuItem component="a" href="/api/bakes/file.json" download onClick={close}>
          For another kitchen (JSON)
        </MenuItem>
        <MenuItem
          onClick={() => {
            close();
            file.current?.click();
          }}
        >
          Bring bakes in from a JSON
        </MenuItem>
      </Menu>
      <FileInput
        handle={file}
        accept=".json,application/json"
        testId="logbook-file"
        onFile={(chosen) => bring.mutate(chosen)}
      />
      {(bring.isError || bring.data) && (
        <Box sx={{ width: "100%" }}>
          {bring.isError && <Alert severity="error">{bring.error.message}</Alert>}
          {bring.data && (
            <Alert
              severity={bring.data.refused.length > 0 ? "warning" : "success"}
              onClose={() => bring.reset()}
            >
              {`${String(bring.data.added)} bakes came in, ${String(bring.data.there)} were here already.`}
              {bring.data.refused.map((words) => (
                <Box key={words}>{words}</Box>
              ))}
            </Alert>
          )}
        </Box>
      )}
    </>
  );
}
