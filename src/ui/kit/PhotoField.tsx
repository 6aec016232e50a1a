import { asBase64, shrinkPhoto } from "./shrinkPhoto";

const MAX_PHOTO_BYTES = 5 * 1024 * 1024;

/** A photo that helps, taken at once on a telephone. */
export function PhotoField() {
  return (
    <label className="grid gap-1 text-sm">
      A photo, if it helps
      <input
        type="file"
        name="photo"
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        className="file-input w-full"
      />
    </label>
  );
}

/** The photo of a form with that field, shrunk, as base64; null where none was chosen. */
export async function photoOf(
  data: FormData,
): Promise<{ ok: true; base64: string | null } | { ok: false; why: string }> {
  const file = data.get("photo");
  if (!(file instanceof File) || file.size === 0) return { ok: true, base64: null };
  const photo = await shrinkPhoto(file);
  if (photo.size > MAX_PHOTO_BYTES) return { ok: false, why: "Photo: at most 5 MB." };
  return { ok: true, base64: await asBase64(photo) };
}
