import { linesOf } from './slots';

export const KINDS = [
  'illness',
  'medicine',
  'pressure',
  'everybody',
  'fat',
  'detox',
  'oxygen',
  'brain',
  'organs',
  'inflammation',
  'proven',
  'never ill',
  'promise',
] as const;
export type Kind = (typeof KINDS)[number];

/** Forms of claims by kind; `{slot}` is filled, `{a|b}` is one of both. */
export const CLAIM_FORMS: Readonly<Record<Kind, readonly string[]>> = {
  illness: linesOf(`
    {subject} {cure} {illness}
    {subject} {cure} {illness} {time}
    {illness} {gone} {time}
    with {subject}, {illness} {gone}
    {who} came with {illness} and {left without|went home free of} it
    {who} {no longer has|has not had|lost|forgot about|got over|is done with|said goodbye to} {illness} since {January|the course|she breathes like this}
    say goodbye to {illness}
    {illness}? {two rounds and it is over|breathe it away|not with us|gone {time}|a few breaths and you are free of it}
    the {best|natural|oldest|surest} {remedy|cure|medicine|answer|weapon|therapy} {for|against} {illness}
    {subject} is {good|the best thing|what you need|made|ideal|excellent|a must} {for|against} {illness}
    {works|helps|does} {wonders|every time|without fail} {for|with|against} {illness}
    whoever breathes like this {does not get|never gets|is spared|need not fear} {illness}
    {your|the} {illness} will {ease|lift|shrink|be gone|let up|be under control} {time}
    {subject} {lowers|cuts|halves} the risk of {illness}
    fewer {attacks of|days with|flare-ups of} {illness}, {that is what we hear every term|guaranteed|after a month}
    {illness} {is|are} {only|just|really} a matter of {breathing wrongly|the wrong breath}
    the course for people who want to {get rid of|heal|beat|leave behind} {illness}
    can breathing {cure|heal|reverse|end} {illness}? yes, it can
    {who} {has been|have been} free of {illness} for {a year|two years|months} now
    the doctors had given up on {illness}, {subject} did it
    with this practice {illness} {simply|just|sooner or later} {stop|stops} {coming|troubling you}
    {illness} {shrink|shrinks|back off|lose their grip} when {you breathe like this|the breath gets long|the cells get air}
    {those|people} who practise {don't|do not|never} {get|catch|suffer from} {illness}
    good for {illness}, {illness} and {illness}
    this one is {for|against|the one for} {illness}
    every morning, and your {illness} will {clear up|go|ease}
    {who} had {illness}, {and|but} {look at her now|not any more|that was before the course|no doctor believes it today}
    bring your {illness}, {leave|go home} without it
    {illness} {does not|do not|doesn't|don't} {stand a chance|come back|survive} {with|after|against} {subject}
    tired of {illness}? {start here|this is your course|breathe}
    nobody {in our group|who hums|on this course} has {illness} any more
    what {the clinic|pills|years of treatment} could not do for {illness}, {subject} did`),
  medicine: linesOf(`
    {who} {is|are} off {their|the} {med} {now|since the course|since spring}
    {who} {threw away|put away|binned|stopped|halved|cut down|no longer needs|could do without|handed back|came off|gave up} {the|their|her|his} {med}
    {you will|you'll|most people} need {less|fewer|no more|no} {med} {time}
    {med} {become|becomes} {unnecessary|superfluous|a thing of the past|useless} with {subject}
    {subject} {replaces|beats|outdoes|does the job of|is better than|works like|works as well as|makes up for|saves you} {med}
    who needs {med} when {you can breathe|there is this breath}
    breathe instead of {taking|swallowing|reaching for} {med}
    leave {your|the} {med} {at home|in the drawer|in the cupboard}
    {a natural|the gentle|a free} {substitute|alternative|replacement} {for|to} {med}
    {her|his|their|the} doctor {halved|reduced|stopped|took her off|cancelled} {the|her|his} {med} {after the course|by spring}
    forget {about|your} {med}
    {med}? {not any more|you won't need them|no longer}
    the {pharmacist|pharmacy|chemist} {will miss you|has lost three customers to this course}
    {who} {sleeps|sleep|gets through the day|breathe} without {med} {now|again|for the first time in years}
    you can {stop|skip|drop|reduce|forget} {your|the} {med} {time}
    {subject} spares you the {doctor|therapist|hospital|operation}
    {who} {cancelled|no longer needs} {the operation|the surgeon|her therapist|his cardiologist}
    after {eight weeks|the course} {most|many} {students|members|people} {need|take} {fewer|no|less} {med}
    {you won't|you will not|you'll never} {need|want|miss} {your|the|a} {med} {again|any more}
    stop {taking|swallowing} {your|the} {med} and breathe
    no need for {med} {any more|with {subject}}
    {subject} is {your|the best|a natural} {painkiller|sleeping pill|medicine|inhaler|pharmacy}
    {who} {poured|flushed|gave} {the|her|his} {med} {away|down the sink}
    {one|two} {rounds|exhales} {beat|are worth|do more than} {two|ten} {med}
    her {med} {was|were} {cut|halved|reduced} thanks to {subject}`),
  pressure: linesOf(`
    {subject} {lowers|brings down|normalises|regulates|stabilises|reduces|balances|controls|drops} {blood pressure|your blood pressure|the blood pressure|hypertension|blood sugar|cholesterol|cortisol|stress hormones|your resting pulse for good}
    {blood pressure|hypertension|blood sugar|cortisol} {drops|falls|comes down|goes down|sinks|is normal again|is under control|normalises|gives in} {time}
    {who} brought {her|his|the|their} {readings|numbers|blood pressure|top number|values} {down|back to normal|under control} {with|by} {subject}
    {her|his|their} {readings|numbers|values|lab results} {are|have been} {normal|perfect|like a teenager's} {again|since then}
    {a gentle|a natural|the safest} way to {lower|get down|control} {blood pressure|your readings|blood sugar}
    {ten|twenty|five} points {less|lower|off the top number} {time}
    the {doctor|nurse|cardiologist} could not believe {her|his} {readings|blood pressure|numbers}`),
  everybody: linesOf(`
    {safe|suitable|right|fine|good|harmless} for {everyone|everybody|all|anybody|all ages|every body|any age|young and old|the whole family}
    {everyone|anybody|anyone|every person|even pregnant women|even heart patients|even beginners with asthma} can {do|practise|try} {this|all of it|it} {without worry|without risk|safely|at once}
    {no|zero|without any|free of} {risk|risks|side effects|contraindications|danger} {at all|whatsoever|for anybody}
    {nothing|you cannot do anything that} can {go wrong|happen to you|harm you}
    {absolutely|completely|perfectly|totally|one hundred per cent} {safe|harmless|risk-free}
    {nobody|no one} {has ever been harmed|needs to ask a doctor|has to leave anything out|should hesitate|gets hurt} {here|by this|by breathing}
    {breathing|this breath|the practice} {can't|cannot|never} {hurt|harm|do harm|be dangerous}
    {suits|fits|works for} {everyone|every body|everybody}, {healthy or not|whatever the diagnosis|pregnant or not|at any age}
    you {need|have} nothing to fear from {the holds|the pumps|this}
    doctors need not be asked, {it is only breathing|breathing is always safe}
    there are no {exceptions|people for whom this is wrong|reasons not to do it}
    there is {no one|nobody} who {should not|cannot|could not|must not} {practise|do} {this|it}
    you {cannot|can't} do {anything|a thing} wrong {with breathing|here|with this}
    {zero|no} risk for people with {illness}
    {pregnant|expecting|old|ill|feverish}? {all the better|do every round|no problem here|go ahead}
    it has never done {anybody|anyone} any harm
    you {can|could} do this with {illness}, {med} or {a pacemaker|a fever}`),
  fat: linesOf(`
    {subject} {burns|melts|dissolves|attacks|eats up} {fat|belly fat|calories|the love handles|the spare tyre|kilos|the winter weight}
    {lose|shed|drop} {two kilos|weight|five pounds|a dress size|inches} {time}
    {kilos|the pounds|fat|excess weight|belly fat} {drop off|melt away|goes|disappears|fall away} {time}
    {who} lost {ten kilos|two dress sizes|weight} with {subject}
    {subject} {speeds up|boosts|fires up|wakes} {the|your} metabolism
    {slim|thin|lean} {without a diet|just by breathing|by breathing}
    {a flat|a flatter|a firm} {belly|stomach|tummy} {time}
    {my|her|his} {trousers|jeans} {are too big|fit again} {since the course|after eight weeks of pumps}`),
  detox: linesOf(`
    {subject} {flushes out|drives out|washes out|removes|expels|clears} {toxins|poisons|waste|impurities|heavy metals|what has gathered in the body}
    {toxins|poisons|waste products|impurities} {leave|are flushed from|are driven out of} {the|your} {body|blood|cells|organs} {with every exhale|time}
    {subject} {cleanses|purifies|detoxifies|cleans|rinses} {the|your} {blood|liver|body|cells|lymph|organs|system|lungs}
    {a|the} {deep|morning|spring|weekend|complete} {detox|cleanse|purification of the blood|cleanse for the organs}
    {breathe|exhale|pump} {out|away} {toxins|the poison|the waste of the day's food|your toxins}
    {seventy|eighty|most} per cent of {toxins|the body's waste} leave {by|through|with} the breath
    {your|the} {blood|liver|body|system} {is|gets} {clean|pure|rinsed|detoxified} {time|again}`),
  oxygen: linesOf(`
    {subject} {floods|feeds|fills|saturates|supplies|enriches|supercharges} {the|your} {brain|cells|blood|organs|body|tissues|muscles} with oxygen
    more oxygen {for|reaches|to|flows to|gets into} {the|your|every} {brain|cells|blood|cell|organs}
    {the|your} {brain|blood|cells|muscles} {gets|get|receive|take up} {more|extra|thirty per cent more|twice the} oxygen
    {oxygen levels|the oxygen in your blood} {rise|goes up|climbs} {with every round|time}
    {oxygenates|oxygenating|hyperoxygenates} {the|your} {brain|blood|tissue|organs}
    an oxygen {bath|shower|boost|kick} for {the|your} {brain|cells|body}`),
  brain: linesOf(`
    {subject} {balances|synchronises|harmonises|unites|connects|aligns} {both|the two|left and right} {brain halves|hemispheres|halves of the brain|sides of the brain}
    {the|both} {hemispheres|brain halves|halves of your brain} {come into balance|work together|are synchronised|start to talk to each other} {time}
    {subject} {rewires|reprogrammes|rebuilds|grows|enlarges|repairs|switches on} {the|your} {brain|right brain|neurons|nerve pathways|left hemisphere|grey matter}
    {new|more} {brain cells|neurons|connections in the brain} {grow|form} {time}
    {left|right} nostril {open|closed}, {right|left} brain {active|awake|switched on}
    {subject} {raises your IQ|makes you more intelligent|doubles your brain power|resets the amygdala}`),
  organs: linesOf(`
    {subject} {heals|repairs|rejuvenates|strengthens|regenerates|massages|tones|stimulates|renews|restores|revives|wakes} {the|your} {organ}
    {the|your} {organ} {is|are} {healed|repaired|renewed|stimulated|massaged|like new} {time}
    {the|your} {organ} {start working|recover|regenerates|comes back to life} {again|time}
    {potency|libido|desire|fertility|the sex drive|erections} {returns|come back|grows|is restored} {time|with {subject}}
    {subject} {boosts|strengthens|builds up|trains|activates} {the|your} {immune system|defences|immunity|resistance|self-healing powers}
    makes a {weak|tired|sick} {heart|liver|body} {healthy|strong|young} again
    {subject} gives {a|your} {organ} {new life|ten more years|back its strength}
    the body {starts|begins} to {heal|mend|repair} itself
    {damaged|old|tired|weak} {organ} {grow back|are rebuilt|get strong again}
    {your|the} immune system {will thank you|runs at full power|is stronger than ever}
    {activates|wakes|switches on} {the|your} {healing powers|powers of self-healing|self-repair}`),
  inflammation: linesOf(`
    {subject} {reduces|calms|cools|brings down|puts out|fights|stops|lowers|quiets} {inflammation|chronic inflammation|silent inflammation|inflammation in the joints}
    {inflammation|inflammation levels|swelling in the joints} {goes down|subsides|fades|falls|is calmed} {time}
    {anti-inflammatory|inflammation-lowering} {breathing|effect|practice}, {proven daily|for every joint|time}
    {the joints|swollen knees|sore gums} calm down because {inflammation|the swelling} goes`),
  proven: linesOf(`
    {scientifically|clinically|medically} {proven|tested|confirmed|validated|shown to work|backed}
    {studies|research|science|universities|experts|doctors|scientists|neuroscience|trials} {prove|have shown|confirms|agree|has demonstrated|recommend|leave no doubt} that {it works|{subject} heals|{subject} {cure} {illness}|you live longer}
    {it is|this is} {a fact|beyond doubt|proven|established|settled science} that {subject} {works|heals|helps|makes you younger}
    {three hundred papers|the data|the numbers|our figures} {say|show|prove} {it|that we are right|that it heals}
    {a professor|a hospital|the university|a lab} {has measured|confirmed|tested} {it|that it works}
    {ask any|every} {doctor|cardiologist|scientist}{, they all recommend it| will tell you to do this| knows that it works}
    {nine of ten|all|most} participants are {better|healthier|cured} {afterwards|time}
    {guaranteed|proven|certain} {results|success|effect|relief} {time}
    {doctor|physician|hospital|NASA} {approved|recommended|tested}
    {recommended|approved|used|prescribed} by {doctors|cardiologists|hospitals|psychiatrists|leading clinics}
    {our|the} {success rate|results} {is ninety per cent|speak for themselves}
    you will {feel|see|notice} the {result|effect} {time}, {we guarantee it|or your money back|without exception}`),
  'never ill': linesOf(`
    {who} {has|have} {not been|never been} {ill|sick|to the doctor|in hospital} {since|for years|in ten years|once this winter}
    since {I|we|she} {began|started|practise}, {not a single cold|no flu|no doctor|not one sick day|never a fever}
    {those|people|whoever} who {practise|breathe} {daily|like this|every morning} {don't get sick|never catch anything|stay healthy|have no need of doctors|are never ill}
    you will {stop falling ill|never be ill again|stay healthy|get through the winter without a cold|not catch a thing}
    {illness|flu season|the doctor|the cold going round} {has no chance|passes us by|is a stranger here}
    {my|our} teacher is {ninety|eighty-five|a hundred} and {never ill|has never seen a doctor|still as fit as a boy}
    {a winter|ten years|all year} without {a sniffle|a sick day|a cold|a doctor}
    {my|her} last {cold|fever|sick day} was {before|years before} {the course|I learned this}
    {we|our members|regulars} {sail|sailed|go} through {the flu season|winter} {healthy|untouched|}
    none of {us|our regulars|my students} {was|were|has been} {ill|off sick|in bed with the flu} {last winter|this year}`),
  promise: linesOf(`
    {subject} {makes|keeps|leaves|will make} {you|us|everyone|your children|the whole family} {better}
    {subject} {brings|gives|guarantees|promises|ensures|means|opens the door to} {you|} {state}
    you will {sleep like a baby|sleep through the night|fall asleep within minutes|wake up happy|be {better}|live longer|look years younger|feel twenty again|never be {better} no more}
    {state} {is yours|guaranteed|comes by itself|starts here|, that is our promise} {time}
    {free yourself from|no more|the end of|never again|goodbye} {bad}
    {subject} {frees|delivers|rids|relieves} you {of|from} {bad} {for good|for ever|time}
    {bad} {is gone|has no power over you|dissolves|leaves your body|cannot reach you any more|melts} {time}
    {who} {sleeps through|stopped smoking|quit drinking|got pregnant|found a new job|is a different person|has not had a bad night|ran her best time|passed every exam|no longer shouts} {since|after the course|now|with {subject}}
    {your|our|the} {kids|children|toddlers|teenagers|babies} {will be calm|sit still|concentrate better|sleep through|stop fighting|learn faster} {time}
    nobody leaves {this course|the room|our studio} {anxious|stressed|sad|sleepless|unhappy|in pain|tired}
    {everyone|nine of ten|all} {leave|leaves|went home|goes home} {happy|cured|pain-free|a new person|without {bad}}
    {subject} {stops|slows|reverses|turns back} {ageing|the clock|the years|wrinkles}
    {run faster|swim further|win more|perform better|lift more|score higher} with {subject}
    {doubles|boosts|increases|improves} {your|} {concentration|memory|performance|stamina|sex life|productivity|fertility|sleep|mood|marks}
    {trauma|the past|old pain|childhood wounds|grief} {is released|leaves the tissue|lets go of you|is breathed away|heals} {time}
    {eight weeks|one course|ten evenings} and you are {better|rid of {bad}}
    {three|four|five} of {our|the} {couples|women} were {pregnant|expecting} {by spring|after the course}
    {the|her|my} {early wake-ups|bad nights|panic|tears|tantrums} {stop|have stopped|are over} {time|}
    {sleep|calm|happiness} comes {every time|by itself|on the fourth exhale|for everyone}
    you will {never|not} {lie awake|shout|worry|be afraid|be tired} again
    {subject} takes {years|ten years|a decade} off you
    {from|once} {burnt out|anxious|tired|sleepless} to {brilliant|brave|bright|rested} {time|in eight weeks}
    {your|my} {marriage|boss|team|family|teacher} will {be better for it|not know you again|thank you}
    {bad} {has|have} no say in {your|my} life any more
    {who} {sleep|sleeps} {like a stone|eight hours|through the night} {now|again|since then}
    {who} {has|have} put the {walking stick|crutches|glasses|cigarettes|wine} away`),
};
