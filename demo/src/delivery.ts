/** What came this morning, as a file that waits to be imported: pieces of lines that are known. */
export const DELIVERY = {
  name: 'Delivery of this morning.csv',
  text: [
    'code,product,kind,place,received_m,left_m,lot,price,tare_g,flange_mm,core_mm,wound,leaves,new_on',
    'N-251,SN-30,bulk,Wall A,2500,2500,L251-7,49.50,118.5,142,62,rolled,clockwise,',
    'N-252,CN-26,bulk,Wall A,3000,3000,L252-7,66.00,118.5,142,62,rolled,clockwise,',
    'B-321,MB-19,bulk,Wall C,1500,1500,L321-7,106.00,118.5,142,62,rolled,anticlockwise,',
    'F-121,CF-28,pack,Drawer 4,300,300,L121-7,30.50,24,84,44,rolled,clockwise,',
    'F-122,CF-35,pack,Drawer 4,150,150,L122-7,23.90,24,84,44,rolled,clockwise,',
    '',
  ].join('\n'),
} as const;
