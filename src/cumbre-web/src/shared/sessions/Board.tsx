import Box from "@mui/material/Box";

const figures = /([+−-]?\d[\d.,:]*(?:-(?:\d+|X))*(?:\s?(?:kg|lb|%|s|min)\b)?)/g;

/** A line as on a whiteboard: figures strong, words light. */
export function Board({ line, size = 16 }: { line: string; size?: number }) {
  return (
    <Box component="span" sx={{ fontSize: size, lineHeight: "22px", fontStretch: "90%", color: "text.secondary" }}>
      {line.split(figures).map((part, i) =>
        i % 2 === 1 ? (
          <Box component="span" key={i} sx={{ fontWeight: 650, color: "text.primary" }}>
            {part}
          </Box>
        ) : (
          part
        ),
      )}
    </Box>
  );
}
