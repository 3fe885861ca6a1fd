import vue from '@vitejs/plugin-vue'
import { gzipSync } from 'node:zlib'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { defineConfig, type Plugin } from 'vite'

// The server sends a squeezed copy where there is one.
function squeeze(): Plugin {
  return {
    name: 'squeeze',
    writeBundle(options, bundle) {
      for (const [name, item] of Object.entries(bundle)) {
        if (!/\.(js|css|svg)$/.test(name)) continue
        const source = item.type === 'chunk' ? item.code : item.source
        writeFileSync(join(options.dir ?? 'dist', `${name}.gz`), gzipSync(source, { level: 9 }))
      }
    },
  }
}

const server = process.env.WARMANVIL_SERVER ?? 'http://127.0.0.1:8460'

export default defineConfig({
  plugins: [vue(), squeeze()],
  resolve: { alias: { '@': join(import.meta.dirname, 'src') } },
  build: {
    emptyOutDir: false, // the placeholder page is kept
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 700, // three.js, loaded with the view that draws
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            { name: 'three', test: /node_modules[\\/]three/ },
            // What only later screens use comes with them.
            {
              name: 'naive',
              test: /node_modules[\\/](naive-ui(?![\\/]es[\\/](date-picker|time-picker|auto-complete|popconfirm|timeline|upload|progress|image))|css-render|@css-render|vueuc|vooks|treemate|seemly|vdirs|evtd|async-validator|lodash)/,
            },
            { name: 'vue', test: /node_modules[\\/](vue|@vue|vue-router|pinia|@tanstack|@vueuse)/ },
          ],
        },
      },
    },
  },
  server: {
    proxy: {
      '/api': {
        target: server,
        changeOrigin: true,
        configure: (proxy) => proxy.on('proxyReq', (request) => request.setHeader('origin', server)),
      },
    },
  },
})
