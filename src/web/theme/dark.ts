export { darkTheme } from 'naive-ui'
