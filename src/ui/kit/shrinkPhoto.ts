/** A finding is seen well enough at so many pixels on its long side. */
const LONGEST_SIDE = 1600;
/** A photo smaller than this is sent as it is. */
const SMALL_BYTES = 300_000;

/**
 * A photo as it is sent: telephones take ten times what a finding needs, and a hall's connection is what it is. Also
 * leaves behind where and when it was taken. Small ones, and what this browser cannot read, stay as they are; the server
 * looks at what it really is.
 */
export async function shrinkPhoto(file: Blob): Promise<Blob> {
  if (file.size <= SMALL_BYTES) return file;
  const image = await createImageBitmap(file).catch(() => null);
  if (!image) return file;
  const scale = Math.min(1, LONGEST_SIDE / Math.max(image.width, image.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(scale * image.width);
  canvas.height = Math.round(scale * image.height);
  canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
  image.close();
  const smaller = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, "image/jpeg", 0.85));
  return smaller && smaller.size < file.size ? smaller : file;
}

/** The bytes as base64, without the head of a data URL. */
export function asBase64(file: Blob): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result).replace(/^[^,]*,/, ""));
    reader.onerror = () => reject(reader.error ?? new Error("the photo could not be read"));
    reader.readAsDataURL(file);
  });
}
