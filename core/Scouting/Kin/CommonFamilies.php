<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Kin;

/** Words that mean nearly the same in the trades that reviewers ask about; after a stroke those of the contrary. */
final class CommonFamilies
{
    /** @return list<Family> */
    public static function all(): array
    {
        preg_match_all('/^- (.+(?:\n  .+)*)/m', self::TEXT, $found);

        return array_map(
            fn (string $told): Family => Family::told((string) preg_replace('/\s+/', ' ', $told)),
            $found[1],
        );
    }

    private const TEXT = <<<'TEXT'
        # Sleep and waking
        - sleepiness, sleepy, sleepier, sleepiest, drowsiness, drowsy, drowsier, nodding off, nod off, dozing,
          doze, struggle to stay awake, hardly stay awake, grogginess, somnolence, lapses, lapses of attention,
          tiredness at night, lane departures, lane crossings, line crossings, missed signals, eye
          closures | alertness, alert, vigilance, vigilant, wakefulness, wide awake, attention,
          attentive, fully alert, keep awake
        - fatigue, tiredness, tired, exhaustion, exhausted, weary, weariness, worn out, need for recovery |
          energy, vigour, rested, refreshed
        - sleep, slept, hours slept, sleep duration, total sleep, sleep time, asleep, sleep length | short sleep,
          sleep loss, sleep debt, sleep restriction, lack of sleep
        - sleep quality, quality of sleep, restorative sleep | insomnia, sleep disturbance, disturbed sleep, poor
          sleep, sleep problems, trouble sleeping, sleeplessness
        - fall asleep at the wheel, dozing at the wheel, dozing off at the wheel, asleep at the wheel, sleep at the wheel, asleep while driving, sleeping
          drivers, closed their eyes, sleep-related driving events, dozed off while driving, microsleep, asleep
          when driving, slept while driving, asleep behind the wheel, nod off while driving, nodded off, nods off,
          dozed off, doze off, drowsy driving, sleep-related crash
        - nap, napping, napped, power nap, sleep break, rest break with sleep, short sleep on duty, lie down, nap
          room, nap slot, nap break
        - planned, scheduled, protected, agreed, prophylactic, prearranged, arranged, offered, organised, routine
        - caffeine, coffee, caffeinated, energy drinks, tea
        - melatonin, sleeping tablets, sleep aids, hypnotics, sleep medication
        - eye mask, eye masks, sleep mask, ear plugs, earplugs
        - blackout curtains, dark bedroom, darkened room, sunglasses, dark glasses
        - chronotype, morning type, evening type, larks, owls, morningness
        # Light, noise and surroundings
        - bright, intense, brightness, lux, luminous, high illuminance, brightly
        - light, lighting, lamp, illumination, lights, luminaire, light panel, light box, light visor, light
          exposure, light glasses
        - noise, sound level, decibels, loudness, noise level | quiet, silence, quietness
        - music, songs, melodies, singing, playlist
        - temperature, heat, cold, warmth, thermal
        - single rooms, private rooms, single-bed rooms, one-bed rooms | shared rooms, multi-bed rooms, bays
        # Work and rosters
        - night shift, night shifts, nights, night work, night duty, nightshift, overnight, at night
        - shift, shifts, duty, duties, roster, rosters, rota, schedule, working hours
        - rotate, rotation, rotating, shift order, roster direction, direction of rotation
        - forward, forwards, clockwise, delaying, phase-delaying, delayed, morning-evening-night,
          early-late-night, forward-rotating, forward rotation
        - backward, backwards, anticlockwise, counterclockwise, counter-clockwise, advancing, phase-advancing,
          advance, night-evening-morning, night-late-early, backward-rotating, backward rotation
        - quick return, short rest, short interval, short turnaround, rest period, late-early, short intervals,
          rest between shifts, hours between shifts, hours off between, rest of eleven hours, intervals below
          eleven hours, intervals under eleven hours
        - twelve-hour shifts, 12-hour shifts, long shifts, extended shifts, twelve hour shifts, 12-h shifts |
          eight-hour shifts, 8-hour shifts, eight hour shifts, short shifts
        - overtime, extra hours, long hours, long working hours, extra shifts, working beyond
        - self-rostering, self-scheduling, self-rostered, choose their shifts, choice of shifts, roster control,
          flexible rostering, plan their own shifts, participatory scheduling, influence their roster
        - on call, on-call, call duty, standby
        - part-time, reduced hours, shorter working week, shorter working day, six-hour day, four-day week,
          compressed week
        - break, breaks, rest break, pause, rest breaks, micro-breaks, meal break, time-out
        - staffing, nurse-to-patient ratio, staffing level, patients per nurse, nurse staffing, staffing ratio,
          number of nurses, safe staffing | understaffing, understaffed, short-staffed
        - workload, work load, burden of work, work pressure, busy, demands
        - telework, working from home, home office, remote work
        - sick leave, sickness absence, sick days, absence, absent, absenteeism, sick-listed, days absent, call in
          sick, calling in sick, sickness absenteeism, sick day, off sick, sick spells
        - turnover, resignation, resign, quit, intention to leave, leave the job, leaving, leavers, attrition,
          left the hospital, intent to leave, leave their job | retention, retained, stay in the job, intention to
          stay
        - job satisfaction, satisfaction, satisfied, content with work, work satisfaction | dissatisfaction,
          dissatisfied, complaints
        - burnout, burn-out, burnt out, emotional exhaustion, exhaustion at work, depersonalisation, cynicism |
          engagement, work engagement
        - stress, strain, distress, pressure, stressed, tension | calm, relaxation, relaxed
        - mood, well-being, wellbeing, mental health, psychological health, quality of life
        - depression, depressed, depressive, low mood
        - anxiety, anxious, worry, fear, worries, fearful, uneasy | calm, calmer, calmness, at ease, reassured
        - resilience, coping, cope
        - mindfulness, meditation, breathing exercises, yoga
        - debriefing, debrief, after-event talk, team talk, reflection round, case discussion
        - supervision, mentoring, mentorship, mentor, coaching, preceptor, buddy, tutor
        - violence, aggression, assault, assaulted, threats, attack, aggressive, violent, hit, kicked, threatened,
          abuse
        - bullying, harassment, mobbing, incivility
        - commute, commuting, drive home, way home, journey home, driving home, drive, drives
        - crash, collision, accident, road accident, car accident, crashes, near crash, near accident
        - back pain, low back pain, lower back, aching back, aching backs, back complaints, sore back,
          backache, back trouble, lumbar pain, pain in the
          back, back strain, low-back pain, low back complaints, back disorders, back injuries, lumbago,
          musculoskeletal pain, musculoskeletal complaints
        - neck pain, shoulder pain, neck complaints, shoulder complaints, neck and shoulder
        - headache, migraine
        - varicose, swollen legs, leg swelling, compression stockings, support stockings
        - ceiling lift, ceiling hoist, overhead lift, overhead hoist, hoist, patient lift, lifting device, lifting
          aid, lifts on rails, ceiling track, track lift, mechanical lift, lift, ceiling-mounted lift, transfer
          device, lifting equipment
        - moving patients, patient handling, patient transfer, transfers, lifting patients, transfer patients,
          move patients, manual handling
        - exercise, training, physical activity, strength training, workout, gymnastics, walking
        - weight, body weight, overweight, obesity, body mass index, bmi, weight gain
        - diet, meals, eating, food, meal timing, nutrition, snacks, hot meal
        - blood pressure, hypertension, systolic pressure
        - smoking, tobacco, cigarettes
        - infection, infections, sepsis, colds, respiratory infection
        - needlestick, needle-stick, needle stick injuries, sharps injuries, sharps injury, needle injuries,
          pricked, prick, needlestick injuries
        - injury, injuries, injured, harm, hurt
        # Care and its safety
        - handover, hand-over, handoff, shift report, nursing report, change of shift, giving report, shift
          handover, report, sign-out
        - bedside, at the bed, to the bed, beside the patient, each bed, walking handover
        - falls, fall, falling, fallers, fall rate, slips and falls, inpatient falls, patient falls
        - medication errors, drug errors, medication error, drug error, dosing errors, administration errors,
          medication mistakes, wrong dose, wrong drug, prescribing errors, errors in medication
        - errors, error, mistakes, mistake, slips, near misses, near miss, omissions, incidents, adverse events,
          blunders, faults | accuracy, correct, safety
        - missed care, care left undone, omitted care, unfinished care, care not done, undone
        - pressure ulcers, pressure ulcer, pressure injury, pressure sores, bedsores, pressure injuries, pressure
          sore, decubitus
        - restraint, restraints, physical restraint, restrained, belts, bed rails
        - delirium, delirious, acute confusion, confused, confusion
        - hand hygiene, hand washing, handwashing, hand disinfection, hand rub, hand rubbing, disinfect their
          hands, clean their hands
        - mortality, death, deaths, died, dying, fatal | survival, survived
        - length of stay, stay, hospital stay, days in hospital, discharge
        - readmission, readmitted, rehospitalisation, return to hospital
        - pain, pain score, painful, sore, soreness, hurt | pain relief, relief, free of pain, painless, analgesia
        - satisfaction of patients, patient satisfaction, patients satisfied, patient experience
        - alarm, alarms, alerts, monitor alarms, clinical alarms
        - alarm fatigue, alarm weariness, alarm burden, alarm strain, alarm desensitisation, alarm tiredness,
          tired of alarms, desensitised to alarms, alarm overload
        - electrodes, sensor, monitor settings, alarm limits
        - interruption, interrupted, interruptions, disturbance, distraction, disturbed, distracted
        - checklist, check list, checklists, double check, double-checking, second check, two-person check
        - barcode, bar code, scanning, electronic prescribing, electronic record, bar-code
        - vest, do not disturb vest, sign, tabard
        - simulation, simulated, simulator, skills laboratory, mannequin, manikin
        - teaching, education, course, training programme, lectures, workshop, e-learning, lesson, instruction,
          educational programme
        - knowledge, test score, examination marks, learning, skills, competence, confidence
        - communication, teamwork, collaboration, cooperation, briefing, huddle
        - rounds, rounding, hourly rounds, hourly rounding, intentional rounding, ward round
        - telephone, phone, text message, mobile, app, application, smartphone
        - vaccination, vaccinated, immunisation, influenza vaccine, vaccine, jab, flu shot
        - mask, respirator, face mask, gown, protective equipment, gloves, personal protective equipment
        - sitting, sedentary, standing desk, standing
        - dementia, cognitive impairment
        - loneliness, lonely, social isolation | social support, companionship, support from colleagues
        - animal, dog, dogs, pet, animal-assisted
        - garden, plants, nature, greenery, outdoor
        # Bodies and their troubles
        - skin, dermatitis, eczema, hand eczema, rash, dry hands, chapped hands, skin irritation, skin damage
        - hearing, hearing loss, tinnitus
        - voice, hoarseness, hoarse
        - eye strain, dry eyes, sore eyes, visual fatigue
        - heartburn, reflux, indigestion, stomach trouble, stomach complaints, gastrointestinal complaints,
          dyspepsia, constipation, bowel
        - diabetes, blood sugar, glucose, blood glucose, insulin, glycaemia, hyperglycaemia, hypoglycaemia
        - heart disease, cardiovascular, myocardial infarction, heart attack, stroke, coronary
        - breast cancer, cancer, tumour, tumours, malignancy
        - pregnancy, pregnant, miscarriage, preterm birth, birth weight
        - menstruation, menstrual, period pain, cycle length
        - vitamin d, vitamin d deficiency, low vitamin d
        - cortisol, stress hormone, saliva
        - reaction time, response time, reaction test, speed of reaction, psychomotor
        - memory, recall, working memory, cognition, cognitive performance, thinking, concentration
        - thirst, dehydration, hydration, drinking, fluid intake, water intake
        - nausea, vomiting, sickness on waking
        - breathing, breathlessness, dyspnoea, oxygen, asthma
        - wound, wounds, wound healing, wound infection, surgical site infection
        - catheter, catheters, urinary catheter, catheter-associated, cannula, line infection, bloodstream
          infection
        - incontinence, toileting, continence, urinary tract infection
        - malnutrition, undernutrition, weight loss, protein intake, appetite
        - frailty, mobility, mobilisation, walking ability, gait, early mobilisation, out of bed
        - agitation, agitated, aggression in dementia, restlessness, wandering, behavioural symptoms
        - hba1c, glycated haemoglobin, glycated hemoglobin, glycosylated haemoglobin, haemoglobin a1c, a1c,
          glycaemic control
        - body clock, biological clock, circadian phase, circadian rhythm, circadian timing, internal clock, melatonin
          onset, melatonin rhythm, time of melatonin onset
        - breastfeed, breastfeeding, breast feeding, breast-feeding, breastfed, breast-fed
        - jaundice, bilirubin, hyperbilirubinaemia, hyperbilirubinemia, icterus
        - newborn, newborns, neonate, neonatal, infant, newborn infants
        - phototherapy, light treatment, light therapy
        - antibiotics, antibiotic, antibiotic prescriptions, antibiotic prescribing, antimicrobial, antimicrobials
        - visit, visits, attendance, attendances
        - school, schools, classroom, classrooms
        # People's work and feelings
        - moral distress, moral injury, ethical conflict, conscience, bad conscience, moral strain
        - compassion fatigue, secondary traumatic stress, empathy, compassion, vicarious trauma, post-traumatic
          stress, second victim
        - autonomy, decision latitude, control over work, job control, influence at work
        - leadership, ward manager, head nurse, management style, managers
        - recognition, reward, pay, salary, bonus, premium, wage
        - work-family conflict, work-life balance, family life, work-home, conflict between work and family,
          private life
        - loss of status, professional identity, commitment, belonging, team climate, safety culture,
          psychological safety
        - performance, productivity, efficiency, output, work ability
        - human contact, social contact, contact with colleagues, isolation at work
        # Wards and their routines
        - low bed, low-low bed, floor bed, bed height, bed alarm, sensor mat, bed exit alarm, chair alarm,
          movement sensor
        - non-slip socks, slippers, footwear, shoes, anti-slip socks, overshoes
        - turning, repositioning, turned, repositioned, change of position, lateral turning
        - mattress, mattresses, foam mattress, air mattress, alternating pressure, cushion, overlay
        - whiteboard, board, display, visual board, poster, posters, reminder, reminders, prompt, prompts, signs
        - feedback, audit, audit and feedback, league table, report card
        - visiting, visitors, visiting hours, family presence, open visiting, relatives
        - volunteer, volunteers, companion, sitter, sitters, one-to-one, observer
        - triage, waiting time, waiting, queue, delay, delays
        - discharge letter, discharge planning, discharge summary, follow-up call, telephone call after discharge
        - electronic record, electronic documentation, documentation, charting, paperwork, record keeping,
          computer, tablet
        - screen, screens, screen time, blue light, display
        - uniform, uniforms, clothing, scrubs, tunic, dress
        - robot, robots, automation, dispensing cabinet, automated, machine learning, algorithm, artificial
          intelligence
        - cleaning, disinfection, cleaned, contamination, contaminated, bacteria, germs
        - pillow, pillows, blanket, weighted blanket, warm blanket, bedding
        - massage, foot bath, footbath, aromatherapy, acupressure, touch, reflexology, lavender, scent
        - relaxation, breathing technique, muscle relaxation, guided imagery
        - cold drink, cool water, warm milk, herbal tea, chewing gum, gum
        - smartphone use, social media, phone use, scrolling
        - bicycle, cycling, taxi, ride home, shuttle, public transport, bus
        - briefing, huddle, safety huddle, time-out, team briefing, short meeting
        - language, interpreter, interpreters, translation, plain language
        - consent, information leaflet, leaflet, booklet, written information, information sheet, video
          information
        - pain assessment, pain rating, pain scale, analgesic, opioid, opioids, painkillers
        - antibiotic, antibiotics, antibiotic use, prescribing, prescriptions
        - blood sample, blood samples, haemolysis, mislabelled, mislabelling, specimen, specimens, laboratory
          error
        - wake, waking, awakenings, woken, awakened, night waking, awake at night
        - dark, darkness, dimmed, dimming, dim light, night light, lights out, lights off, amber light, red light
        # More of wards, rosters and people
        - peer support, support by colleagues, collegial support, colleague support, peer supporters, buddy system
        - presenteeism, work while sick, working while ill, came to work ill, worked although ill, working while
          sick, at work when sick
        - skipped breaks, missed breaks, no break, without a break, missed meal breaks, breaks missed,
          uninterrupted break
        - resuscitation, cardiac arrest, chest compressions, reanimation, life support
        - amber glasses, blue-blocking glasses, orange glasses, tinted glasses, blue-light glasses, blue light
          filter, glasses
        - false alarms, nuisance alarms, unanswered alarms, missed alarms, alarm response, response to alarms
        - information loss, lost information, omitted information, missing information, information transfer,
          information omitted, forgotten items
        - absent-minded, forgetfulness, forgetting, forgot, memory slips
        - compliance, adherence, adhered, complied, followed the rule, uptake
        - empathy, empathic, compassion for patients, kindness, person-centred care
        - overcrowding, crowding, boarding, full wards, bed occupancy, occupancy
        - night-time noise, noise at night, sound at night, noisy nights, noise on the ward
        - hospital beds, bed, beds, bedding
        - awake, stay awake, staying awake, remain awake, kept awake
        - napping policy, rest policy, nap programme, strategic napping, rest facility, rest room, sleeping room
        - job control, latitude, say in the roster, influence on working hours, control over working time
        - irregular hours, irregular shifts, unsocial hours, split shifts, changing shifts, rotating rosters
        - consecutive nights, nights in a row, run of nights, successive night shifts, number of nights
        - early shift, morning shift, early start, day shift, day work, days
        - evening shift, late shift, evening work, lates
        - weekend, weekends, weekend work, holidays, free days, days off
        - vacation, holiday, time off, leave days, sabbatical
        - income, pay, wage, allowance, premium, bonus, salary
        - accident at work, occupational injury, occupational accident, injured at work, work accident
        - slips, stumbles, trips, slipped, stumbled
        - blood exposure, splash, splashes, exposure to blood
        - fit testing, fitted mask, mask fit
        - pulse oximeter, oximetry, telemetry, cardiac monitor, bedside monitor
        - infusion pump, infusion pumps, pump, syringe driver, drip
        - intravenous, injection, injections, insulin injection
        - ward pharmacist, clinical pharmacist, pharmacist, medication review, reconciliation
        - sedation, sedatives, sedative, tranquillisers, benzodiazepines, antipsychotics
        - bed rails, side rails, lowered beds
        - swallowing, dysphagia, aspiration, thickened fluids
        - oral care, mouth care, tooth brushing, teeth
        - catheter days, catheter removal, catheter use
        - hospital food, meals in hospital, protected mealtimes, mealtime
        - family meeting, family conference, informing relatives, talk with relatives
        - end of life, palliative, dying patients, terminal
        - chaplain, spiritual, prayer, religion, faith
        - humour, clown, clowns, laughter
        - gratitude, thanks, diary of good things, positive writing, expressive writing
        - virtual reality, headset, video glasses, games, gaming, gamification
        - text reminders, telephone reminders, letters of reminder, recall letter
        - screening test, detection, detected, early warning score, warning score, deterioration
        - rapid response, emergency team, outreach team
        - nurse-led, led by nurses, delegated to nurses, substitution of doctors
        - skill mix, registered nurses, qualified nurses, unregistered staff, assistants instead of nurses
        - agency staff, temporary staff, bank nurses, float pool, floating nurses, travelling nurses
        # What is asked for
        - instrument, instruments, scale, scales, questionnaire, questionnaires, inventory, tool, measure, index,
          form, checklist for measuring, rating, score, subscale
        - prevalence, common, frequency, frequent, share, proportion, occurrence, rate, per cent, percent
        - experience, experiences, perceive, perception, describe, view, views, attitudes, lived, feel
        - cost, costs, expenses, price, savings, cost-effectiveness, expensive
        TEXT;
}
