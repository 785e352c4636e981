/**
 * Words that stand in many passwords of a school for this trade, in both languages: seasons, months, days, the school and
 * the workshop. One or two of them with a year are no password.
 */
export const commonWords: readonly string[] = `
password passwort kennwort secret geheim welcome willkommen letmein login admin hello hallo qwerty qwertz
spring summer autumn fall winter frühling fruehling frühjahr sommer herbst
january february march april may june july august september october november december
januar februar märz maerz mai juni juli oktober dezember
monday tuesday wednesday thursday friday saturday sunday
montag dienstag mittwoch donnerstag freitag samstag sonntag
school college class lesson teacher instructor trainer student pupil apprentice training exam
schule berufsschule berufskolleg klasse unterricht lehrer lehrerin ausbilder ausbildung azubi lehrling schüler schueler prüfung
workshop garage depot mechanic mechanics mechatronic mechatronics technician electrician electric electrical electronics automotive
werkstatt mechaniker mechanik mechatroniker mechatronikerin mechatronik techniker technik elektriker elektrik elektronik kfz kraftfahrzeug
vehicle car auto truck van motor engine battery fuse relay lamp wire cable switch circuit volt voltage current meter multimeter ground
fahrzeug wagen lkw batterie sicherung relais lampe kabel leitung schalter stromkreis strom spannung masse messgerät messgeraet
`
  .trim()
  .split(/\s+/)
