import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from '../tests/server'

/** Servers that give the same bytes with the same headers, and load on them by a client that is faster than any. */

export interface Served {
  headers: Record<string, string | string[] | undefined>
  body: Buffer
}

export interface Server {
  url: string
  close(): void
}

const WRK = '/usr/bin/wrk'
const NGINX = '/usr/sbin/nginx'

/** Installs what is missing from the packages of Debian. */
export function ensureTools(): void {
  if (existsSync(WRK) && existsSync(NGINX)) return
  const [command, ...before] = process.getuid?.() === 0 ? ['apt-get'] : ['sudo', '-n', 'apt-get']
  for (const args of [['update'], ['install', '-y', '--no-install-recommends', 'wrk', 'nginx-light']])
    spawnSync(command!, [...before, ...args], { stdio: 'ignore' })
  if (existsSync(WRK) && existsSync(NGINX)) return
  throw new Error(`Serving is measured with ${WRK} and beside ${NGINX}: install wrk and nginx-light.`)
}

/** Requests a second over so many seconds, ten connections at once. */
export function requestsPerSecond(url: string, seconds: number, more: readonly string[] = []): Promise<number> {
  const args = ['-t1', '-c10', `-d${seconds}s`, '-H', 'Accept-Encoding: gzip', ...more, url]
  return new Promise((done, fail) => {
    const run = spawn(WRK, args)
    let said = ''
    run.stdout.on('data', (chunk) => (said += String(chunk)))
    run.on('close', () => {
      const found = /Requests\/sec:\s+([\d.]+)/.exec(said)
      if (!found || /Non-2xx/.test(said)) fail(new Error(`wrk could not load ${url}: ${said}`))
      else done(Number(found[1]))
    })
  })
}

const headersOf = ({ headers }: Served): Record<string, string> => {
  const { date: _date, connection: _connection, 'keep-alive': _keep, ...rest } = headers
  return Object.fromEntries(Object.entries(rest).map(([name, value]) => [name, String(value)]))
}

/** A bare Node server in a process of its own. */
export async function bareServer(served: Served): Promise<Server> {
  const folder = mkdtempSync(join(tmpdir(), 'outer-frame-bare-'))
  const file = join(folder, 'answer.json')
  writeFileSync(file, JSON.stringify({ headers: headersOf(served), body: served.body.toString('base64') }))
  const port = await freePort()
  const child = spawn(process.execPath, ['bench/bare.mjs', file, String(port)])
  await new Promise((done) => child.stdout.once('data', done))
  return {
    url: `http://127.0.0.1:${port}/`,
    close() {
      child.kill()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

function answers(url: string): Promise<boolean> {
  return new Promise((done) => {
    const asked = request(url, (answer) => {
      answer.resume()
      done(answer.statusCode === 200)
    })
    asked.on('error', () => done(false))
    asked.end()
  })
}

/** nginx with one worker, with the same bytes in a file. */
export async function nginxServer(served: Served): Promise<Server> {
  const folder = mkdtempSync(join(tmpdir(), 'outer-frame-nginx-'))
  writeFileSync(join(folder, 'page'), served.body)
  const port = await freePort()
  const { 'content-type': type, 'content-length': _length, etag: _etag, ...more } = headersOf(served)
  const lines = Object.entries(more).map(([name, value]) => `add_header ${name} "${value.replaceAll('"', '\\"')}";`)
  const conf = `daemon off; worker_processes 1; pid ${folder}/pid; error_log ${folder}/error.log;
events { worker_connections 256; }
http { access_log off; sendfile on; tcp_nopush on; keepalive_requests 1000000; open_file_cache max=10;
client_body_temp_path ${folder}; proxy_temp_path ${folder}; fastcgi_temp_path ${folder};
uwsgi_temp_path ${folder}; scgi_temp_path ${folder};
server { listen 127.0.0.1:${port}; root ${folder}; default_type "${type}";
location = /page { ${lines.join(' ')} } } }`
  writeFileSync(join(folder, 'nginx.conf'), conf)
  const child = spawn(NGINX, ['-p', folder, '-c', join(folder, 'nginx.conf')])
  const url = `http://127.0.0.1:${port}/page`
  for (let i = 0; i < 60 && !(await answers(url)); i++) await new Promise((done) => setTimeout(done, 50))
  return {
    url,
    close() {
      child.kill('SIGQUIT')
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
