import { Path, Rect, Svg } from "@react-pdf/renderer";
import { qrPath } from "./qrPath";

/** A QR code with the quiet margin it needs, as large as said in points. */
export function Qr({ text, size }: { text: string; size: number }) {
  const { path, size: modules } = qrPath(text);
  return (
    <Svg viewBox={`0 0 ${modules} ${modules}`} style={{ width: size, height: size }}>
      <Rect x={0} y={0} width={modules} height={modules} fill="#ffffff" />
      <Path d={path} fill="#000000" />
    </Svg>
  );
}
