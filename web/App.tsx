import type { ComponentType } from 'react';
import { createBrowserRouter, Navigate, RouterProvider, type RouteObject } from 'react-router';
import { Loading } from './parts/Loading';
import { PlaceFault } from './parts/PlaceFault';
import { Shell } from './parts/Shell';

/** A place with its address, loaded when it is first gone to. */
function place(path: string, load: () => Promise<ComponentType>): RouteObject {
  return {
    path,
    errorElement: <PlaceFault />,
    lazy: async () => ({ Component: await load() }),
  };
}

/** Each place is loaded when it is first gone to; each thing in it has an address of its own. */
export const ROUTES: RouteObject[] = [
  {
    element: <Shell />,
    hydrateFallbackElement: <Loading what="Opening the house" />,
    errorElement: <PlaceFault />,
    children: [
      { index: true, element: <Navigate to="/protocols" replace /> },
      place(
        'shelf/:materialId?/:facet?',
        async () => (await import('./places/shelf/ShelfPlace')).ShelfPlace,
      ),
      place(
        'price-lists/:supplierId?',
        async () => (await import('./places/priceLists/PriceListsPlace')).PriceListsPlace,
      ),
      place(
        'protocols',
        async () => (await import('./places/protocols/ProtocolsPlace')).ProtocolsPlace,
      ),
      place(
        'protocols/:protocolId/card',
        async () => (await import('./places/card/CardPlace')).CardPlace,
      ),
      place(
        'protocols/:protocolId/tray',
        async () => (await import('./places/card/TrayPlace')).TrayPlace,
      ),
      place(
        'protocols/:protocolId/:stepId?',
        async () => (await import('./places/protocols/Workbenches')).ProtocolWorkbench,
      ),
      place(
        'protocols/blocks/:protocolId/:stepId?',
        async () => (await import('./places/protocols/Workbenches')).BlockWorkbench,
      ),
      place('menu/map', async () => (await import('./places/menu/MenuMapPlace')).MenuMapPlace),
      place('menu/adds-up', async () => (await import('./places/menu/AddsUpPlace')).AddsUpPlace),
      place(
        'menu/what-if/:scenarioId?',
        async () => (await import('./places/menu/whatIf/WhatIfPlace')).WhatIfPlace,
      ),
      place(
        'menu/margins/:serviceId?',
        async () => (await import('./places/menu/margins/MarginsPlace')).MarginsPlace,
      ),
      place(
        'menu/offers/:offerId?',
        async () => (await import('./places/menu/offers/OffersPlace')).OffersPlace,
      ),
      place(
        'menu/guests/:menuId?',
        async () => (await import('./places/menu/guests/GuestsPlace')).GuestsPlace,
      ),
      place(
        'menu/:serviceId/sets',
        async () => (await import('./places/menu/sets/SetsPlace')).SetsPlace,
      ),
      place(
        'menu/:serviceId/price',
        async () => (await import('./places/menu/PricePlace')).PricePlace,
      ),
      place('menu/:serviceId?', async () => (await import('./places/menu/MenuPlace')).MenuPlace),
      place('restock', async () => (await import('./places/restock/RestockPlace')).RestockPlace),
      place(
        'restock/levels/:materialId?',
        async () => (await import('./places/restock/levels/LevelsPlace')).LevelsPlace,
      ),
      place(
        'restock/demand',
        async () => (await import('./places/restock/demand/DemandPlace')).DemandPlace,
      ),
      place(
        'restock/risk',
        async () => (await import('./places/restock/risk/RiskPlace')).RiskPlace,
      ),
      place(
        'restock/counts/:countId?',
        async () => (await import('./places/restock/counts/CountsPlace')).CountsPlace,
      ),
      place(
        'restock/orders/:orderId?',
        async () => (await import('./places/restock/orders/OrdersPlace')).OrdersPlace,
      ),
      place('room', async () => (await import('./places/room/RoomPlace')).RoomPlace),
      place('room/:runId', async () => (await import('./places/room/RunPlace')).RunPlace),
      place(
        'house/set-up/:question?',
        async () => (await import('./places/house/SetUpPlace')).SetUpPlace,
      ),
      place('house', async () => (await import('./places/house/HousePlace')).HousePlace),
      place('*', async () => (await import('./places/NoPlace')).NoPlace),
    ],
  },
];

const router = createBrowserRouter(ROUTES);

/** The app: its places. */
export function App() {
  return <RouterProvider router={router} />;
}
