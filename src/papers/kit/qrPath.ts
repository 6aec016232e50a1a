import QRCode from "qrcode";

/** A QR code as one SVG path of unit squares, and how many there are across, quiet margin included. */
export function qrPath(text: string): { path: string; size: number } {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: "M" });
  const quiet = 4;
  let path = "";
  for (let row = 0; row < modules.size; row += 1)
    for (let column = 0; column < modules.size; column += 1)
      if (modules.get(row, column)) path += `M${column + quiet} ${row + quiet}h1v1h-1z`;
  return { path, size: modules.size + 2 * quiet };
}
