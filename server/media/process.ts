import { type Question, answerTo } from '../aside/asked'
import { type PictureWork, pictureWorkOver } from './work'

/** The process that works on pictures: its folder is told when it is started, and it ends with whoever started it. */

const work = pictureWorkOver(process.argv[2]!)

process.on('message', (question: Question) => {
  const asked = (job: string, input: unknown) =>
    (work[job as keyof PictureWork] as (input: unknown) => Promise<unknown>)(input)
  void answerTo(question, asked).then((answer) => process.send?.(answer))
})
process.on('disconnect', () => process.exit(0))
