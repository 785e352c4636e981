/** The made-up students of Fennick Vale beside the three whose passwords are printed, by class. */
export const classes = [
  {
    name: 'Depot electricians, first year',
    students: [
      ['tam', 'Tam Pellow'],
      ['idris', 'Idris Quill'],
      ['ansel', 'Ansel Dray'],
      ['briony', 'Briony Hask'],
      ['corwin', 'Corwin Sallow'],
      ['delphie', 'Delphie Marrack'],
      ['emlyn', 'Emlyn Thrupp'],
      ['fay', 'Fay Oddling'],
      ['gethin', 'Gethin Wray'],
      ['hesper', 'Hesper Loam'],
      ['ivo', 'Ivo Carrick'],
      ['jessamy', 'Jessamy Tolk'],
    ],
  },
  {
    name: 'Vehicle fitters, second year',
    students: [
      ['maeve', 'Maeve Torrin'],
      ['kester', 'Kester Bourn'],
      ['lowri', 'Lowri Penhale'],
      ['merrin', 'Merrin Sprake'],
      ['noll', 'Noll Ketteridge'],
      ['oswin', 'Oswin Fallow'],
      ['perrin', 'Perrin Aldous'],
      ['quilla', 'Quilla Norr'],
      ['rowan', 'Rowan Stukeley'],
      ['sabra', 'Sabra Wend'],
      ['tobit', 'Tobit Crane'],
      ['una', 'Una Harrowell'],
    ],
  },
] as const
