import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { guessColumns, isOneRoster, loginFrom, readOneRoster, readPlain } from '.'
import { drawn } from '../../../test/random'

/** Heads of the tables as 1EdTech publishes them (OneRoster 1.1 and 1.2 CSV; from memory). */
const users11 =
  'sourcedId,status,dateLastModified,enabledUser,orgSourcedIds,role,username,userIds,givenName,familyName,middleName,identifier,email,sms,phone,agentSourcedIds,grades,password'
const users12 =
  'sourcedId,status,dateLastModified,enabledUser,username,userIds,givenName,familyName,middleName,identifier,email,sms,phone,agentSourcedIds,grades,password,userMasterIdentifier,resourceSourcedIds,preferredGivenName,preferredMiddleName,preferredFamilyName,primaryOrgSourcedId,pronouns'
const roles12 =
  'sourcedId,status,dateLastModified,userSourcedId,roleType,role,beginDate,endDate,orgSourcedId,userProfileSourcedId'
const classes =
  'sourcedId,status,dateLastModified,title,grades,courseSourcedId,classCode,classType,location,schoolSourcedId,termSourcedIds,subjects,subjectCodes,periods'
const enrollments =
  'sourcedId,status,dateLastModified,classSourcedId,schoolSourcedId,userSourcedId,role,primary,beginDate,endDate'

const files = (users: string, more: { name: string; text: string }[] = []) => [
  { name: 'users.csv', text: users },
  { name: 'classes.csv', text: `${classes}\nc1,active,,"Sweepers, second year",,,SW2,scheduled,,s1,t1,,,` },
  {
    name: 'enrollments.csv',
    text: `${enrollments}\ne1,active,,c1,s1,u1,student,,,\ne2,active,,c1,s1,u9,student,,,\ne3,tobedeleted,,c1,s1,u2,student,,,`,
  },
  ...more,
]

describe('a roster', () => {
  it('of OneRoster 1.1 is read with its classes and who is in them', () => {
    const set = files(
      `${users11}\nu1,active,,true,s1,student,nela.farrow@school.example,,Nela,Farrow,,,,,,,,\nu2,active,,true,s1,student,,,Jory,Ashdown,,,,,,,,\nu3,active,,true,s1,teacher,,,Wenna,Tull,,,,,,,,\nu4,tobedeleted,,true,s1,student,,,Gone,Away,,,,,,,,`,
    )
    expect(isOneRoster(set)).toBe(true)
    expect(readOneRoster(set)).toEqual({
      people: [
        { key: 'u1', sourced: 'u1', name: 'Nela Farrow', login: 'nela.farrow' },
        { key: 'u2', sourced: 'u2', name: 'Jory Ashdown', login: 'jory.ashdown' },
      ],
      classes: [{ key: 'c1', sourced: 'c1', name: 'Sweepers, second year' }],
      members: [{ class: 'c1', person: 'u1' }],
      problems: [],
    })
  })

  it('of 1.2 finds the roles in their own file', () => {
    const row = (id: string, given: string) => `${id},active,,true,,,${given},Farrow,,,,,,,,,,,,,,,`
    const { people } = readOneRoster(
      files(`\uFEFF${users12}\r\n${row('u1', 'Nela')}\r\n${row('u2', 'Wenna')}`, [
        {
          name: 'roles.csv',
          text: `${roles12}\nr1,active,,u1,primary,student,,,s1,\nr2,active,,u2,primary,teacher,,,s1,`,
        },
        { name: 'orgs.csv', text: 'sourcedId,status' },
      ]),
    )
    expect(people.map(({ name }) => name)).toEqual(['Nela Farrow'])
  })

  it('in a plain table has its columns guessed, and a bad row keeps nobody else out', () => {
    const text =
      'Last name;First name;Group\nFarrow;Nela;Monday\n;;Monday\nFarrow;Nela;Monday\nÅshdown;Jory;\n'
    const { heads, columns } = guessColumns(text)
    expect(heads).toEqual(['Last name', 'First name', 'Group'])
    const roster = readPlain({ name: 'list.csv', text }, columns)
    expect(roster.people.map(({ login }) => login)).toEqual(
      ['nela.farrow', 'jory.ashdown'].map((l, i) => (i ? loginFrom('Jory Åshdown') : l)),
    )
    expect(roster.members).toEqual([{ class: 'Monday', person: 'nela.farrow' }])
    expect(roster.problems.map(({ where, code }) => `${where} ${code}`)).toEqual([
      'list.csv 3 lab.rowName',
      'list.csv 4 lab.rowTwice',
    ])
    expect(
      readPlain({ name: 'x.csv', text: 'a,b\n1,2' }, guessColumns('a,b').columns).problems,
    ).toMatchObject([{ code: 'lab.noColumn' }])
  })

  it('never throws, whatever file it is given', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (a, b) => {
        const file = { name: 'users.csv', text: a }
        expect(Array.isArray(readOneRoster([file, { name: b, text: b }]).people)).toBe(true)
        expect(Array.isArray(readPlain(file, guessColumns(a).columns).problems)).toBe(true)
      }),
      drawn(150),
    )
  })
})
