import { readFileSync } from 'node:fs'
import { createServer } from 'node:http'

/** A bare Node http server in a process of its own: the answer in the file named, and nothing else. */
const { headers, body } = JSON.parse(readFileSync(process.argv[2], 'utf8'))
const bytes = Buffer.from(body, 'base64')
const server = createServer((_, response) => {
  response.writeHead(200, headers)
  response.end(bytes)
})
server.listen(Number(process.argv[3]), () => console.log('listening'))
