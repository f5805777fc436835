/** Hands something made in the browser to it as a file. */
export function saveBlob(blob: Blob, name: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 1000)
}

export const saveText = (text: string, name: string, type: string): void => saveBlob(new Blob([text], { type }), name)
