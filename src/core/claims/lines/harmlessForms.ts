import { linesOf } from './slots';

/** Forms of what is no claim, though its words may be those of one. */
export const HARMLESS_FORMS: readonly string[] = linesOf(`
  if you have {illness}, {do}
  {illness}? {do}
  with {illness}, {part} {out}
  in case of {illness} {do}
  whoever has {illness} should {do}
  {part} {out} for people with {illness}
  {part} {out} if you take {med}
  anyone {with|treated for|recovering from|living with} {illness} {out} of the pumps
  people with {illness} {do}
  not for people with {illness}
  a history of {illness} means that {part} {out}
  tell {us|me|the teacher|the front desk} if you {have|had|are treated for} {illness}
  tell {us|me|the teacher} if you {take|use|changed|have stopped} {med}
  {keep|bring|have|leave} your {med} {at hand|within reach|beside the mat|with you}
  {never|do not|please don't|don't} {stop|change|reduce|skip|leave out|come off} your {med} {for a class|without your doctor|because of this course|on your own}
  {take|keep taking|go on with} your {med} as {usual|prescribed}
  {subject} {does not|cannot|will not|is not meant to} {treat|cure|heal|prevent|replace treatment of} {illness}
  {subject} is no {treatment|cure|therapy|remedy|medicine} {for|against} {illness}
  {subject} {is not|is no} {substitute|replacement} for {med|your doctor|treatment|therapy}
  no {breath|course|class|practice|technique} {replaces|cures|heals|can replace|takes the place of} {a doctor|{med}|{illness}|treatment|therapy}
  we {do not|never|don't} {say|claim|promise|believe|tell people} that {subject} {cure} {illness}
  we {make no promises|promise nothing|claim nothing} about {illness|health|sleep|weight|blood pressure|your mood}
  {avoid|do not use|leave out|cross out|never write} {the words|words like|phrases like} {cure|heal|detox|proven|safe for all|cleanse} {and|or} {treat|heal|prevent|guaranteed|anti-ageing|detox}
  it is not {known|proven|shown|certain|clear} {that|whether} {subject} {cure|helps with|does anything for} {illness}
  {nobody|no one} {knows|can say|should say|may promise} whether {it helps|{subject} {cure} {illness}|you will sleep better}
  whether {subject} {helps|does anything} {with|for|against} {illness} is {an open question|for doctors to say|not ours to say}
  {research|one study|the evidence|science} on {subject} is {thin|mixed|young|small|not settled}
  {not everyone|not everybody|nobody} {should|has to|needs to|can} {do|join|hold|finish} {this|it|every round}
  {this|it} is not {for everyone|safe for everybody|suitable in pregnancy|without risk|risk-free}
  there are {risks|contraindications|limits}: {read them first|they are on the next page|ask us|dizziness is one}
  {side effects|tingling|dizziness|light-headedness} {can happen|is a sign to stop|means a shorter hold}
  {pumps|holds|fast breathing} can {raise|lower|change} {blood pressure|the pulse|blood sugar}, so {do}
  stop {if|when|as soon as} {you feel dizzy|the chest hurts|a headache starts|you feel {illness} coming|panic rises}
  {chest pain|fainting|a seizure|one-sided weakness} {means|is} {an emergency|stop and call|calling for help}
  after {an operation|a birth|an infection|a stroke|surgery} {do}
  {ask|talk to|see|check with} your {doctor|midwife|surgeon|psychiatrist|therapist|heart specialist} {first|before you start|about {part}|about {illness}}
  {your|only a|a} {doctor|clinician} {decides|says|must say|knows} whether {part} {are right for you|come back in}
  {illness} {belongs|belong} {with|in the hands of} {your doctor|a doctor|a specialist}
  {she|he|the teacher|our lead} {is ill|has a cold|is away|is in hospital}, so {another teacher takes the class|class begins later}
  come back when the {cold|fever|infection|cough} is over
  {you may|some|many|most people|a few|people} {feel|find themselves|go home} {feel}
  {some|many|most} people {like|find|enjoy} it {settling|calming|warming|odd|boring|lively|easier after a while}
  {it may|this can|the rest may} {feel|be|seem} {feel}
  {I|we} {like|enjoy|use|teach} it {before a meeting|in the evening|on the train|when the room is loud|on cold mornings}
  {feeling|being|getting} {feel} is {fine|allowed|welcome|no mistake}
  {a quiet|an easy|a calm|a slow} {end to|hour after|start of|break in} {a busy day|the week|the evening}
  {move} {body}
  {move} {body} as you breathe {in|out}
  {move} {body} and {move} {body}
  {hand|palm|fingers|thumb} on {body}, {eyes open|eyes soft|elbows wide}
  {in|out|hold|pause} for {four|five|six|seven} {counts|heartbeats}, {then let go|and again|and rest}
  {count|breathe|hum|listen|wait|rest} {for three rounds|with the bell|until it is quiet|as long as it is easy}
  the {exhale|inhale|hold} {gets longer|stays the same|grows by one count|is optional|comes after the pause}
  {reduce|lower|raise|balance|treat|fight|beat|burn|melt|clean|fix|repair|boost|strengthen} the {count|light|volume|mat|rhythm|candle|window|list|heater|curtain|floor|speakers} {a little|before class|after class|}
  bring {thing} and {thing}
  {thing} {is|are} {by the door|on the shelf|in the basket|at the front desk}
  class {begins|ends|meets|moves} {hour}
  {the room|the studio|the front desk|registration} {opens|closes} {hour}
  please {pay|sign up|cancel|return the form|write to us} {hour}
  {the second|the third|the last} {week|class|round} {repeats|adds|leaves out|begins with} {part}
  {school}, {myth}
  {myth}, {school}
  {the name|the word} means {shining skull|victorious breath|piercing the moon|binding|the lion|a sweet sound}
  {heal|health|energy|prana|medicine|cure} is a {big|old|strange} word; {we use it with care|here it means the tradition's picture}
  {old books|brochures|adverts|people} {promise|promised|say} {a lot|{state}|that {subject} {cure} {illness}}; we do not
  {is it|are you|do you have|have you had} {illness}? {then |}{do}
  {my|your|her} {goal|wish|hope} for this term: {ten quiet minutes a day|to come every week|a steady count|to hum on the bus}
  can {subject} {cure|heal|treat} {illness}? {no|nobody knows|we cannot say|ask your doctor, not us}
  nobody {here is asked to hold the breath|has to be calm|needs to finish the round|gets a mark for it}
  {subject} {does not|cannot|will not|never did} {bring|give|send|make} {more oxygen to the brain|you younger|{state}|anything to the {organ}|you {better}}
  {bad} {does not vanish|may stay|comes and goes|is part of it}, {and that is fine|but it has a place to sit|also here}
  {who} {came late|signed up again|brought {thing}|sits by the window|likes the humming|teaches on Fridays|was nervous at first|pays in cash|moved to the evening group|asked about the fee}
  {everyone|everybody|each of us} {gets|brings|takes|finds|may have} {thing}
  {everyone|everybody} {may stop|has something to do|can choose a seat|starts on the left|leaves the shoes outside}
  {breathe|hum|feel the air|let the breath go} into {body}
  feel {the heart beat|the pulse in the fingers|the lungs fill from below|the kidneys move with the breath|the brain go quiet for a moment|how {body} move}
  {free|half price|guaranteed place|a discount} for {children|whoever pays early|members|the first ten}
  {nobody|no one} {left early|came late|was here|has signed up yet|sits alone|must speak}
  {the heater|the bus|the door|the cat|the music|the coffee} is {broken|late|proven to be slow|free|asleep|too loud|safe with Ines}
  {people|those|members} who {live with|know|have had} {illness} {do}
  {contraindications|please read}: {illness}, {illness} and {illness}
  {the risk|a danger} of {fainting|falling|dizziness|strain} is {why we sit|real|small but there}
  {come|do not come} {with|without} a {fever|cold|cough}
  {illness} makes it {hard|harder} to {come|sit|hold}; {do}
  {she|he|my mother} {has|had|lives with} {illness} and {takes the chair|comes to the gentle group|skips the pumps|asked her doctor first}
  {your|the} {med} {stay as they are|stay as prescribed|come first|are not our business}
  {a handout|a brochure|a poster} that {promises|says|claims} {state} {goes back|is rewritten|is not ours}
  {does|will|can} {subject} {help with|lower|change} {illness|blood pressure|weight|sleep}? {that is for your doctor|ask your doctor|we do not know|medicine must say}
  {sleep|sit|lie} {on your side|by the window|near the door|under the blanket} if {you like|it is cold|the floor is hard}
  {three|twelve|half} of the {course|group} {came|sent the form|are on the list|wait for a form|have paid}
  {screening forms|forms|answers} are {sealed|kept for six months|read by the director alone}`);
