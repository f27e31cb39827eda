/** Sentences a studio may well write, for the tests: none is to be marked. Odd lines were not looked at while the check was made. */
export const HARMLESS: readonly string[] = `
Many people find it settling.
Ask your doctor first.
If you have asthma, keep your inhaler at hand.
Please tell us if you are being treated for a heart condition.
Are you under treatment for anything else?
This replaces no medicine.
It does not replace your medication.
Never change your tablets because of a class.
Keep taking what was prescribed.
Nothing here cures, treats or prevents an illness.
We do not promise that it heals anything.
No technique is safe for everybody.
Nothing is safe for everyone.
This is not a treatment for asthma.
Breathing is no therapy for depression.
People with high blood pressure ask first.
High blood pressure, controlled: no hold after the inhale.
If your blood pressure is low, rise slowly.
If you feel your blood pressure drop, lie down.
Holding raises the pressure in the chest and in the head.
A long exhale can lower the pulse for a while.
Stop if a migraine begins.
Stop when you feel a headache coming.
If you are fighting a cold, breathe gently today.
Come back when the infection is over.
After surgery the chest needs its own time to heal.
The belly and the pelvic floor are still healing.
In several traditions the left side is the moon’s and the right side the sun’s.
Energy moves through channels, as this tradition says.
The old texts speak of cleansing the channels.
Traditionally it is said to balance sun and moon.
Taught in several traditions as balancing.
Tradition calls it the breath that shines the skull.
The sun side wakes, the moon side cools, says the tradition.
Prana rises, in the words of the school.
Chakras are part of this tradition, and we teach them as such.
Clear the nose before you begin.
Cleanse the nostrils with a little water if you like.
Let the weight of the arms sink.
Stand with your weight on both feet.
Feel the heart beat, and let it be.
Fill the lungs to nine tenths.
The lungs fill from below.
Soften around the liver and the lower ribs.
Let the breath restore its own rhythm.
Notice the left side and the right side.
Both sides of the nose take turns during the day.
Balance the tray of your hips before you sit.
Sit in balance, hips above knees.
No studies are quoted here.
It is not proven that this helps anyone.
What research says is not settled.
We are not doctors.
Your doctor decides, not we.
A clinician’s yes is needed for this one.
If you take insulin, check your sugar before class.
Bring your inhaler, and use it when you need it.
If you take blood pressure tablets, tell us.
Medication can make you light-headed; sit down first.
Do not stop your medicine.
Do not come off any drug without your doctor.
Nobody needs to hold the breath.
Letting go is always allowed.
Letting go is always safe here.
The practice is short and easy to keep up.
Ten minutes a day are enough.
You may feel warm.
You may feel tired afterwards; that is fine.
Some feel awake after it, some sleepy.
I feel calmer after it.
It helps me fall asleep.
Many people sleep well after the evening class.
It can bring up strong feelings.
A slow breath before a meeting.
Some people like it before an exam.
It gives the mind something to hold on to.
It quietens the room.
Stress does not vanish, but it has a place to sit.
Breathing slowly feels calming to most people.
Panic can be set off by air hunger: let go early.
If anxiety rises, open your eyes.
People who live with panic keep their eyes open.
Epilepsy is a reason to leave this out.
Not during pregnancy.
In pregnancy, no holds and no pumps.
Diabetes: sugar at hand.
Glaucoma: no hold and no forward bend.
Whoever has a cold leaves out the alternate nostril today.
A blocked nose is no shame: imagine the sides.
Come without a fever, please.
With an infection, stay at home.
The risk of fainting is why nobody stands here.
There is a risk in every hold: strain.
To prevent dizziness, sit down before you begin.
Sit on a chair so that nobody falls.
Side effects such as tingling are a sign to stop.
If tingling grows, breathe naturally.
The contraindications are on the next page.
Contraindications: recent surgery, glaucoma, pregnancy.
This breath has contraindications; read them.
Strong breathing can hide a low.
Quick breathing can bring on a seizure.
Low oxygen can bring on a crisis.
Breathing more does not bring more oxygen to the brain.
One study proves nothing for you.
The immune system is not our subject.
We treat each other kindly.
Treat the breath like a guest.
The class treats every hold as optional.
We prevent crowding by sending a link.
Reverse the hands after five rounds.
Then reverse the direction.
Beat the rhythm softly with one finger.
A remedy for hurried teachers: count with the clock.
Burn a candle if you like.
Melt into the floor.
Let the shoulders melt.
Fight nothing.
Fewer words, more silence.
Lower your gaze.
Lower the hand for the hold.
Reduce the count if it strains.
Reduce the rounds rather than the rest.
Strengthen the seat by folding a blanket.
Improve the light before you begin.
Boost the sound a little for the back row.
The guard stops a jump of two counts.
A hold that is too long shows in the first free breath.
Everyone may leave out whatever they like.
Everybody has something to do meanwhile.
Younger people practise with a guardian’s consent.
Over 65, a chair is offered.
I was ill last week, so another teacher takes the class.
If you are ill, stay at home.
She has not been in class since spring.
I have had a cold; Fenna teaches today.
Fix your gaze on one point; pain means stop.
A short pause resets the mind for some people.
`
  .trim()
  .split('\n');
