/** Claims as they are said and written in studios, for the tests: every one is to be marked. Odd lines were not looked at while the check was made. */
export const CLAIMS: readonly string[] = `
This breath cures asthma.
Asthma can be cured with a few minutes a day.
Alternate nostril breathing heals migraines for good.
My migraines have disappeared since I practise this.
It treats insomnia better than any pill.
Insomnia is treated by the long exhale.
This practice prevents colds and flu.
Colds are prevented by the bellows breath.
Slow breathing reverses diabetes.
Diabetes can be reversed by breathing.
The humming breath gets rid of sinusitis.
With this you get rid of your allergies.
It fights infections naturally.
Beat depression with ten minutes a day.
A natural remedy for high blood pressure.
The best medicine against anxiety.
This technique relieves arthritis.
Helps against asthma within a week.
Good for people with heart disease, it repairs the arteries.
Protects you from viruses.
It keeps colds away all winter.
Panic attacks vanish after three sessions.
Say goodbye to chronic pain.
No more migraines, just breathe.
Stops panic attacks at once.
Reduces the risk of a stroke.
It lowers your risk of heart attack.
Eases the symptoms of asthma.
A therapy for depression that costs nothing.
Breath by breath the cancer shrinks.
Long covid is no match for this practice: it heals it.
It will cure your reflux.
Curing hay fever, one breath at a time.
Students report that their epilepsy is gone.
You can throw away your inhaler.
After four weeks you will no longer need your medication.
Replaces sleeping pills.
Your blood pressure tablets can be reduced after this course.
Breathe instead of taking painkillers.
Many of our members came off antidepressants.
With this you can do without insulin.
It works as well as medicine.
Better than any drug.
No need for pills any more.
Stop taking your medication and breathe.
Cut down your tablets with the 4:7:8.
A substitute for medicine.
You won't need your inhaler again.
Who needs a doctor when you can breathe?
It makes therapy unnecessary.
Lowers blood pressure within a week.
Blood pressure drops by twenty points after a month.
Your blood pressure comes down by itself.
This brings your blood pressure down.
It regulates blood sugar.
Blood sugar levels are balanced by the practice.
Reduces cortisol.
Cortisol falls after five minutes.
Normalises cholesterol.
It balances your hormones.
Reduces inflammation throughout the body.
Inflammation goes down with every exhale.
An anti-inflammatory breath.
Calms inflammation in the gut.
Safe for everybody.
This is safe for everyone, whatever their age.
Absolutely safe, no exceptions.
It is completely safe.
There are no contraindications.
No side effects whatsoever.
Entirely without risk.
Risk-free for all ages.
It can't hurt anyone.
Nothing can go wrong with this one.
Everybody can do this without asking a doctor.
Perfectly harmless in pregnancy.
Suitable for absolutely everyone.
Scientifically proven.
It is proven to work.
Clinically tested breathing.
Studies prove that it works.
Science has shown that this changes your brain.
Research confirms the effect.
Doctors recommend it.
Medically approved technique.
Guaranteed to work.
Backed by science.
Burns belly fat.
Fat is burned while you breathe.
Lose weight with thirty pumps a day.
A flat stomach in three weeks.
It boosts your metabolism and the kilos melt.
Helps you slim without dieting.
Detox your body with this breath.
A morning detox.
Toxins leave the body with every exhale.
It flushes out toxins.
Breathe out the poisons of the day from your cells.
Purifies the blood.
Cleanses the liver.
It cleans your lungs of all waste.
Oxygenates the brain.
More oxygen for your brain.
Your blood is flooded with oxygen.
It fills every cell with oxygen.
The brain gets more oxygen than ever.
Super-oxygenating breath.
Sends fresh oxygen to all the organs.
Balances both halves of the brain.
It synchronises the hemispheres.
The left and right brain are brought into balance.
Connects your two brain halves.
Activates the right side of the brain.
Heals the lungs.
Your liver regenerates with it.
It strengthens the heart muscle.
Rejuvenates all the organs.
Stimulates the thyroid.
Restores sexual function.
Boosts your libido.
It improves fertility.
Repairs the kidneys.
Awakens the body's self-healing powers.
Boosts the immune system.
Your immunity is strengthened.
It makes you immune to illness.
Strengthens your defences against disease.
I never fall ill.
I haven't been ill since I started.
Not one cold in three years of practice.
Who practises daily never gets sick.
Since then I have not needed a doctor.
It keeps the doctor away.
You will live longer.
It slows down ageing.
Ten years younger in a month.
Turns back the clock of your cells.
It rewires your brain in three weeks.
This fixes your back pain.
A doctor-approved practice for the evening.
`
  .trim()
  .split('\n');
