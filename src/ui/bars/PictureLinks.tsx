"use client";

import { useState } from "react";

/** Pixels across a PNG; wide enough to print. */
const PNG_WIDTH = 2400;

/** A drawing as a file: SVG from the server, PNG made from the same file in the browser. */
export function PictureLinks({ svg, name }: { svg: string; name: string }) {
  const [problem, setProblem] = useState<string | null>(null);

  async function savePng() {
    setProblem(null);
    try {
      const response = await fetch(svg);
      if (!response.ok) throw new Error(`the drawing answered ${response.status}`);
      save(await pngOf(await response.text()), `${name}.png`);
    } catch (error) {
      setProblem(`The picture could not be made: ${error instanceof Error ? error.message : "unknown reason"}.`);
    }
  }

  return (
    <p className="no-print flex items-center gap-3 text-sm">
      <a href={svg} download={`${name}.svg`} className="link inline-flex min-h-10 items-center">
        SVG
      </a>
      <button type="button" onClick={savePng} className="link min-h-10">
        PNG
      </button>
      {problem && (
        <span role="alert" className="text-error">
          {problem}
        </span>
      )}
    </p>
  );
}

/** Draws an SVG file on a canvas and answers its PNG. */
export async function pngOf(svg: string, width = PNG_WIDTH): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([svg], { type: "image/svg+xml" }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement("canvas");
    canvas.width = width;
    canvas.height = Math.round((width * image.naturalHeight) / image.naturalWidth);
    canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve, reject) =>
      canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error("the canvas is empty"))), "image/png"),
    );
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** Hands a file to the person. */
export function save(blob: Blob, name: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
