import '@fontsource-variable/newsreader/wght.css';
import '@fontsource-variable/newsreader/wght-italic.css';
import '@fontsource-variable/source-sans-3/wght.css';
import './styles/tokens.css';
import './styles/base.css';
import dayjs from 'dayjs';
import updateLocale from 'dayjs/plugin/updateLocale.js';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router.js';

// Weeks start on Monday here, in every date field.
dayjs.extend(updateLocale);
dayjs.updateLocale('en', { weekStart: 1 });

createApp(App).use(createPinia()).use(router).mount('#app');
