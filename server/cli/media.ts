import { jobsOver } from '../aside/jobs'
import { openPictureWork } from '../media/beside'
import { FileStore } from '../media/store'
import { Bring } from '../services/bring'
import { Media } from '../services/media'
import { type Site, folderOf, withSite } from './site'

/** Opens the site of a data folder with its pictures and files, for one piece of work. */
export async function withMedia<T>(
  data: string | undefined,
  work: (site: Site & { media: Media; bring: Bring }) => Promise<T>,
): Promise<T> {
  const folder = folderOf(data)
  return withSite(data, async (site) => {
    const { db, content } = site
    const files = new FileStore(folder)
    await files.open()
    const follow = async () => void (await content.follow())
    const media = new Media(db, files, follow, openPictureWork(folder))
    const bring = new Bring(db, folder, files, jobsOver(db), content, media, follow)
    try {
      return await work({ ...site, media, bring })
    } finally {
      await bring.end()
      await media.settled()
      await media.end()
      content.end()
    }
  })
}
