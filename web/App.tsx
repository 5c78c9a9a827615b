import { createBrowserRouter, Navigate, RouterProvider, type RouteObject } from 'react-router';
import { Loading } from './parts/Loading';
import { NothingHere } from './parts/NothingHere';
import { PlaceFault } from './parts/PlaceFault';
import { Shell } from './parts/Shell';

/** Each place is loaded when it is first gone to; each thing in it has an address of its own. */
export const ROUTES: RouteObject[] = [
  {
    element: <Shell />,
    hydrateFallbackElement: <Loading what="Opening the house" />,
    errorElement: <PlaceFault />,
    children: [
      { index: true, element: <Navigate to="/protocols" replace /> },
      {
        path: 'shelf/:materialId?/:facet?',
        errorElement: <PlaceFault />,
        lazy: async () => ({ Component: (await import('./places/shelf/ShelfPlace')).ShelfPlace }),
      },
      {
        path: 'price-lists/:supplierId?',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/priceLists/PriceListsPlace')).PriceListsPlace,
        }),
      },
      {
        path: 'protocols',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/protocols/ProtocolsPlace')).ProtocolsPlace,
        }),
      },
      {
        path: 'protocols/:protocolId/card',
        errorElement: <PlaceFault />,
        lazy: async () => ({ Component: (await import('./places/card/CardPlace')).CardPlace }),
      },
      {
        path: 'protocols/:protocolId/tray',
        errorElement: <PlaceFault />,
        lazy: async () => ({ Component: (await import('./places/card/TrayPlace')).TrayPlace }),
      },
      {
        path: 'protocols/:protocolId/:stepId?',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/protocols/Workbenches')).ProtocolWorkbench,
        }),
      },
      {
        path: 'protocols/blocks/:protocolId/:stepId?',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/protocols/Workbenches')).BlockWorkbench,
        }),
      },
      {
        path: 'menu/map',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/menu/MenuMapPlace')).MenuMapPlace,
        }),
      },
      {
        path: 'menu/adds-up',
        errorElement: <PlaceFault />,
        lazy: async () => ({ Component: (await import('./places/menu/AddsUpPlace')).AddsUpPlace }),
      },
      {
        path: 'menu/what-if/:scenarioId?',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/menu/whatIf/WhatIfPlace')).WhatIfPlace,
        }),
      },
      {
        path: 'menu/margins/:serviceId?',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/menu/margins/MarginsPlace')).MarginsPlace,
        }),
      },
      {
        path: 'menu/offers/:offerId?',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/menu/offers/OffersPlace')).OffersPlace,
        }),
      },
      {
        path: 'menu/guests/:menuId?',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/menu/guests/GuestsPlace')).GuestsPlace,
        }),
      },
      {
        path: 'menu/:serviceId/sets',
        errorElement: <PlaceFault />,
        lazy: async () => ({ Component: (await import('./places/menu/sets/SetsPlace')).SetsPlace }),
      },
      {
        path: 'menu/:serviceId/price',
        errorElement: <PlaceFault />,
        lazy: async () => ({ Component: (await import('./places/menu/PricePlace')).PricePlace }),
      },
      {
        path: 'menu/:serviceId?',
        errorElement: <PlaceFault />,
        lazy: async () => ({ Component: (await import('./places/menu/MenuPlace')).MenuPlace }),
      },
      {
        path: 'restock',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/restock/RestockPlace')).RestockPlace,
        }),
      },
      {
        path: 'restock/levels/:materialId?',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/restock/levels/LevelsPlace')).LevelsPlace,
        }),
      },
      {
        path: 'restock/demand',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/restock/demand/DemandPlace')).DemandPlace,
        }),
      },
      {
        path: 'restock/risk',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/restock/risk/RiskPlace')).RiskPlace,
        }),
      },
      {
        path: 'restock/counts/:countId?',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/restock/counts/CountsPlace')).CountsPlace,
        }),
      },
      {
        path: 'restock/orders/:orderId?',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/restock/orders/OrdersPlace')).OrdersPlace,
        }),
      },
      {
        path: 'house/set-up/:question?',
        errorElement: <PlaceFault />,
        lazy: async () => ({
          Component: (await import('./places/house/SetUpPlace')).SetUpPlace,
        }),
      },
      {
        path: 'house',
        errorElement: <PlaceFault />,
        lazy: async () => ({ Component: (await import('./places/house/HousePlace')).HousePlace }),
      },
      { path: '*', element: <NothingHere what="There is nothing at this address." /> },
    ],
  },
];

const router = createBrowserRouter(ROUTES);

/** The app: its places. */
export function App() {
  return <RouterProvider router={router} />;
}
