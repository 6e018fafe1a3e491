/** A file's bytes in base64: what is written in them is the server's to read. */
export const bytesOf = (file: File) =>
  new Promise<string>((done, failed) => {
    const reader = new FileReader();
    reader.onerror = () => failed(reader.error ?? new Error('The file cannot be read.'));
    reader.onload = () => done((reader.result as string).split(',')[1] ?? '');
    reader.readAsDataURL(file);
  });
