/** JSON documents of a stream, one a line, as they come. */
export async function* readLines<T>(
  stream: ReadableStream<Uint8Array>,
): AsyncGenerator<T> {
  const reader = stream.getReader();
  const decoder = new TextDecoder();
  let rest = "";
  for (;;) {
    const { done, value } = await reader.read();
    rest += decoder.decode(value, { stream: !done });
    const lines = rest.split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines) {
      if (line.trim() !== "") {
        yield JSON.parse(line) as T;
      }
    }
    if (done) {
      if (rest.trim() !== "") {
        yield JSON.parse(rest) as T;
      }
      return;
    }
  }
}
