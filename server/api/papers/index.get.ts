/** The papers on the shelf. */
export default defineDoor(() => atOneMoment(async transaction => ({ papers: await shelf(transaction) })))
