/** Everything in the studio as one archive of batch files. */
export default defineDoor((event) => {
  download(event, `wakaru-studio-${new Date().toISOString().slice(0, 10)}`, 'zip', 'application/zip')
  return sendStream(event, archive())
})
