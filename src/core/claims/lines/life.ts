import type { Kind } from './claimForms';
import { linesOf } from './slots';

/** Lines as they come up in plans, handouts and letters, by what they claim; and lines that claim nothing. */

export const LIFE_CLAIMS: Readonly<Record<Kind, readonly string[]>> = {
  illness: linesOf(`
My neighbour came in with a frozen shoulder and tossed it aside in week four
We have yet to meet the cough that survives a fortnight of humming
Ever wondered why our members' hay fever skips a season?
Her eczema packed up and left, as she likes to put it
The throat breath is what your thyroid has been waiting for
Bring your sciatica, leave without it
Since the Tuesday group began, her vertigo has kept its distance
Between us: nobody here has had a flare-up of colitis since Easter
Epilepsie? Her last fit was before she started the square breath
If you are tired of being a diabetic, start here
His stammer simply dissolved by the third evening
What the clinic could not do for her gut in years, six weeks of belly breathing did
It turns asthma around, one exhale at a time`),
  medicine: linesOf(`
Half of last year's course are off their statins
The little white boxes on the bedside table are history for most of us
Last week I poured my drops down the sink and have not looked back
By midsummer you may find that you have no more use for the blue spray
Her chemist asked whether she had moved away
With a few rounds before bed you can let the sleeping tablets lie
One exhale of this beats two aspirins
He talked to his psychiatrist and now he is down to nothing
Let the breath be your painkiller
Why swallow something for it when you can hum?
Nora's heart tablets were cut to a quarter thanks to the long exhale
You will not want to renew the repeat prescription`),
  pressure: linesOf(`
The cuff showed one hundred and twenty over eighty, after years of worry
Watch your numbers fall week by week
The GP thought her machine was broken, so good were the values
Sugar spikes after lunch are smoothed out by nine slow rounds
Cholesterol? Mine halved in a season of mornings
A resting pulse like an athlete's is what you take home
The long out-breath takes the pressure off your arteries for good`),
  everybody: linesOf(`
There is simply no body that this would not be good for
From newborn to great-grandmother, nothing speaks against it
You could do this with a pacemaker, with a fever, with anything
Put your worries about the holds aside, nothing happens to anyone
Where there is breath there is no danger
No need to fill in the health form, it is only air
Expecting? All the better, do every round
The gentlest thing in the world: it has never done anybody any harm`),
  fat: linesOf(`
Two belt holes since September, without changing a thing on the plate
The skull-shining rounds eat the muffin top
Sit, pump, and let the scales do the rest
Your body becomes a furnace that burns what you had for lunch
Bikini-ready by June with ten minutes of breath
She is down a dress size and has not set foot in a gym`),
  detox: linesOf(`
Breathe out last week's wine
The lungs are the body's dustbin lorry: empty them and the poisons are gone
A weekend to scrub you clean from the inside
Acids, slag and sludge leave with the long exhale
Every out-breath carries off what your liver cannot manage
The morning rounds rinse the night's residue out of the blood`),
  oxygen: linesOf(`
Your grey cells are drowning in fresh oxygen after this
It pumps extra air into every last capillary
Twice the oxygen, twice the thinking
Blood so rich in oxygen that you can feel it fizz
Starved brain tissue finally gets its O2 and oxygen back`),
  brain: linesOf(`
After nine rounds left and right brain hum the same tune
It lays down new wiring where anxiety used to live
Logic and feeling shake hands across the two halves of your head
Your frontal lobe thickens with every week of practice
Nerve cells that were thought lost sprout again`),
  organs: linesOf(`
The kidneys say thank you and go back to work
What the root lock does for the bedroom, we leave to your imagination
Tired ovaries wake up
It gives a worn-out heart ten more years
The diaphragm kneads the spleen back to health
An armour for your defences, all winter long
The body starts to mend itself as soon as you hum`),
  inflammation: linesOf(`
It takes the heat out of inflamed joints
Swollen knuckles go down within a fortnight
Breathe cool, and the inflammation has nothing to feed on
Your CRP will tell the story`),
  proven: linesOf(`
There are three hundred papers that say we are right
A professor in Graz has measured it: it works
We do not need to believe, we have the data that it heals
Ask any cardiologist, they will all tell you to do this
If you are not a new person by week six, you get your money back
Nine out of ten participants are better afterwards
Lab-tested breathing that delivers`),
  'never ill': linesOf(`
The tissues in my cupboard have been there since 2011
Whatever goes round at the office, it goes round me
Sick notes are something that other studios' members need
My last fever was before I learned to pump
At eighty-eight she shovels snow and has no doctor
Our regulars sailed through the flu season`),
  promise: linesOf(`
Nobody leaves this course anxious
The four o'clock wake-ups stop
Tears you have carried for thirty years are exhaled in one evening
Your boss will ask what happened to you
Little ones who breathe with us do not throw tantrums
The sprinters in our group shaved seconds off their times
Cigarettes lose their taste by lesson three
My marriage is better for it, and yours will be too
Crow's feet soften, passers-by guess you at thirty
After this you will never lie awake again
The test tube was cancelled: a girl, three kilos
You walk into the exam and every answer is simply there
Grief does not survive the seventh evening
From burnt out to brilliant in eight weeks
The craving for sweets is breathed away
Pain has no say in your life any more
You will be the calmest person in the meeting, guaranteed
Sleep comes on the fourth exhale, every time
It takes years off you
What happened to you then will no longer have any hold over you`),
};

export const LIFE_HARMLESS: readonly string[] = linesOf(`
No breath replaces a doctor
Avoid the words cure, heal and detox
Whoever tells you that this cures asthma has not read our handout
Handouts that promise sleep go back to the desk for a new wording
We were asked whether it helps with migraines; we don't know
Please strike the sentence about toxins
The hour is no therapy and the teacher is no therapist
What your blood pressure does is between you and your doctor
An inhaler in the bag is better than one at home
Anyone on blood thinners skips the pumps and tells Tamsin
My asthma is why I teach this one slowly
In week two we had two colds and a sprained ankle in the group
If the tablets make you dizzy, stay on the chair
Her doctor asked her to wait until the scar has healed
The osteoporosis group meets on the ground floor
Do the form again after any operation
Nobody is too old to sit on a chair
Everyone gets a blanket
All ages are welcome in the family hour on Sunday
Safe is a word for doors, not for breathing
This hold is wrong for some of you, and your teacher knows for whom
Guaranteed places are for people who have paid
We keep no numbers of anybody's health
The study room is on the left
Research your bus before you come
It is proven that the heater is broken
The cat sleeps through every class
Sleep well, see you on Thursday
A slow exhale before you open the door
Count four in and six out, four rounds
Let the out-breath be longer than the in-breath
Hum low, then lower
Press the tongue to the roof of the mouth
Feel the cool air at the nostrils
The right hand comes up, the left rests in the lap
Let the ears grow wide
Your fingertips may tingle; then shorten the round
If your head swims, lie down
Stop counting when it stops being easy
A racing heart means natural breath
Call for help when somebody does not come round
Eyes open for those who like it so
Some like the dark, some like the window
You might feel nothing, and that counts too
It can be a lonely practice; that is why we meet
I was nervous in my first class as well
A friend of mine giggles at every lion
The evening group is quieter than the morning one
Last year's course began in October
Half of last year's course have signed up again
Three of our members teach children now
My mother likes the humming, my father the tea
Two out of three came by bicycle
The whole cohort was late because of the ferry
In the old books the breath is a bird
Yogis speak of a sun in the belly
The lineage calls the left side the moon
Purification is the tradition's word for this series
They named it the conqueror, we call it throat sound
Chakras are drawn on the wall, take them as pictures
The texts promise immortality; we promise to end on time
It is said to wake the sleeping serpent, in the pictures of that time
Please bring a note from your midwife
With glaucoma there is no holding and no bending forward here
Pregnant? The chair by the wall is yours, and there are no holds
Whoever takes insulin has juice beside the mat
Ask first if your heart has been operated on
Panic can come up; the door is open
After a sleepless night do half
Breathing fast can make hands cramp
Holding long can make you faint
A held breath raises the pressure, so some leave it out
This is what we do when somebody coughs: wait
The pumps are not for people with a hernia
Depression makes it hard to come; come late if you must
Weight on both feet
Burn the old posters
Lower the shoulders, lift the crown
The fat cushion goes under the thin one
Clean your mat after class
Flush twice, the pipes are old
The water filter removes the chlorine
Boost the speakers in the back row
Balance the books by Friday
The performance begins at eight
Winners of the raffle get a bolster
Our success: nobody left early
The new brochure is younger in style
Free of charge for children
Addresses are kept until the end of the course
The doctor in our group will not answer questions in class
Insurance does not cover holds over thirty seconds
We cannot tell you that it will calm you
Hope is fine, promises are not
Don't expect your tinnitus to change
I would not trust anybody who says it melts fat
Is it safe with a pacemaker? Ask your cardiologist, not us
Does it lower blood pressure? That is for medicine to say
Some sleep better, some worse, most the same
`);
