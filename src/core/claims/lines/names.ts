import { linesOf } from './slots';

/** What courses, cohorts and series are called, and who is in them: short, and no claim. */
export const NAMES: readonly string[] = linesOf(`
Long phrases
Steady on the early boat
Over sixty, seated
Ferry crew, early shift
Choir and brass
Gentle mornings, with or without a baby along
Chairs for everyone, and time
Desk-bound beginners
People who sit all day, and begin at home
Expecting and new parents
Steady breath over sixty
Three weeks to an even breath
Box breath in ten days
Breath for singers
Calm mornings
A calm evening course
Slow evenings in winter
Night shift nurses
Young mothers, Thursday
For runners and rowers
New year, slow breath
Four quiet classes
Beginners in spring
Office group, fourth floor
People with asthma, chairs by the window
Thursday, sixty and over
An hour without telephones
From belly to full breath in eight weeks
Ten evenings with the long exhale
Teachers of the primary school
The swimmers’ group
Parents and teenagers
After work, with tea
Seated, slow and short
Whoever wants to learn 4:7:8
The second half of the long course
Half an hour before the shops open
Humming in company
A course for people who never sit still
Firefighters, second watch
Retired, and glad to be outdoors
With or without experience
Everybody from last term, and three new faces
Women’s group, every other Sunday
A quiet start to the week
Learning to count slowly
Forty days in Lent
Seven days of even breath
The last hour before the holidays
Breathing and singing rounds
Mixed group, some on the floor, some on chairs
Come as you are
For people who sit at a desk
Small group, at most eight
A first look at holding
Walking, sitting, breathing
The harbour office
Grandparents on Mondays
Two evenings to try it
Summer in the garden
`);
