import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { App } from './App';
import { api } from './store/api';
import { applyTheme } from './store/preferences';
import { store } from './store/store';
import './styles/app.css';

applyTheme(store.getState().preferences.theme);
/* Asked for while the place is still on its way: nobody waits for one after the other. */
void store.dispatch(api.endpoints.house.initiate());
const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <Provider store={store}>
        <App />
      </Provider>
    </StrictMode>,
  );
}
