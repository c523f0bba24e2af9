/** Most bytes of a job file, and of one with photographs. */
const most = { json: 20 * 1024 * 1024, zip: 40 * 1024 * 1024 };

/** Why a file is no job file, told by its first bytes and its size, before anything is sent; null where it may be one. */
export async function whyNoJobFile(file: Blob): Promise<string | null> {
  const first = new Uint8Array(await file.slice(0, 64).arrayBuffer());
  const zip = first[0] === 0x50 && first[1] === 0x4b;
  // A mark of the encoding and blanks may stand before the brace.
  const text = new TextDecoder().decode(first).trimStart();
  if (!zip && !text.startsWith("{")) {
    return "This is no job file: Nokko writes them as JSON, or as a zip with the photographs.";
  }
  const limit = zip ? most.zip : most.json;
  return file.size > limit
    ? `A job file is never as large as that: at most ${(limit / 1024 / 1024).toString()} MB.`
    : null;
}
