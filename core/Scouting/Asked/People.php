<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

use WaryHeron\Core\Text\Stem;

/** Names of people by what they do: who belongs to whom, as far as a question's population goes. */
final class People
{
    private const NURSES = 'nurse, nurses, nursing staff, midwife, midwives, nursing team, nursing teams, nursing, nursing aides, nurse assistants';

    private const DOCTORS = 'physician, doctor, resident, trainee, surgeon, anaesthetist, anesthetist, consultant, registrar, intern, junior doctor, medical staff, house officer, clinician, radiologist';

    private const CARERS = 'hospital staff, staff, ward staff, health personnel, health professional, healthcare worker, health care worker, health worker, healthcare assistant, employee of hospital, hospital employee, care worker, caregiver, aide, care staff, clinical staff, porter, technician, laboratory staff, pharmacist, physiotherapist, therapist, paramedic, workforce, member of staff, health service, health care staff, emergency nursing, personnel, orderly, employee';

    private const WORKERS = 'worker, employee, operator, guard, dispatcher, driver, porter, personnel, workforce, crew, labourer, officer, sorter, clerk, staff, miner, firefighter, pilot, shift worker';

    private const GROUPS = [
        'nurse' => [self::NURSES],
        'midwife' => [self::NURSES],
        'doctor' => [self::DOCTORS],
        'physician' => [self::DOCTORS],
        'resident' => [self::DOCTORS],
        'staff' => [self::CARERS, self::NURSES, self::DOCTORS],
        'professional' => [self::CARERS, self::NURSES, self::DOCTORS],
        'personnel' => [self::CARERS, self::NURSES, self::DOCTORS],
        'caregiver' => [self::CARERS, self::NURSES],
        'worker' => [self::WORKERS, self::CARERS, self::NURSES, self::DOCTORS],
        'employee' => [self::WORKERS, self::CARERS, self::NURSES, self::DOCTORS],
        'patient' => [
            'patient, inpatient, adult in hospital, people in hospital, older people in hospital, bed day, admission',
        ],
        'student' => ['student, pupil, undergraduate, learner, student nurse, nursing student'],
        'child' => ['child, infant, adolescent, boy, girl, pupil, toddler'],
        'adult' => ['adult, people, person, patient, participant'],
        'people' => ['people, person, adult, participant, patient, resident'],
        'driver' => ['driver, motorist, lorry driver, coach driver'],
    ];

    /** Others than those asked about, as a title or a count tells them. */
    private const OTHERS = '/\b(?:prison|police|railway|bus|lorry|truck|taxi|train|office|factory|mill|mine|bakery|bakers?|farm|parcel|school|security|steel|paper|insurance|flight|airline|military|kitchen|call[- ]cent(?:re|er)|plant|control[- ]room) (?:\p{L}+ )?(?:officers?|drivers?|workers?|crews?|clerks?|guards?|dispatchers?|staff|teachers?|operators?|employees|attendants?|sorters?|porters?|soldiers?)\b|\b(?:dispatchers|pilots|teachers|soldiers|firefighters|miners|drivers|sailors|seafarers|farmers|clerks|bakers|parents|relatives|mothers|fathers|pupils|schoolchildren|students|volunteers|porters|cooks|cleaners|residents of|care homes?|families|visitors|guards|operators|officers)\b/iu';

    /**
     * @param  list<string>  $stems  of a part of a question
     * @return list<string>|null  who is meant by it, as they are written; null: it names nobody
     */
    public static function meant(array $stems): ?array
    {
        $last = end($stems) ?: '';
        foreach (self::GROUPS as $name => $lists) {
            if ($last === Stem::of($name)) {
                return array_map(trim(...), explode(',', implode(',', $lists)));
            }
        }
        $isAgent = preg_match('/(?:[^aeiou]er|ist|ant|ician|woman|man|mother|father|wife)$/', $last) === 1;

        return $isAgent && ! in_array($last, self::NOBODY, true) ? [implode(' ', $stems), $last] : null;
    }

    /** "staff room", "nursing station": a word for people that says of what kind a thing is. */
    public static function describe(string $word, string $next): bool
    {
        return preg_match(self::ONE, $word) === 1 && preg_match(self::THINGS, $next) === 1;
    }

    /** Whether a word names people. */
    public static function isOne(string $stem): bool
    {
        return self::meant([$stem]) !== null;
    }

    public static function others(string $text): int
    {
        return (int) preg_match_all(self::OTHERS, $text);
    }

    /** In a form that can describe a thing. */
    private const ONE = '/(?:nurse|nursing|staff|patient|doctor|physician|student|worker|driver|employee|crew)$/';

    private const THINGS = '/^(?:rooms?|stations?|homes?|wards?|units?|education|training|schools?|staffing|shortages?|turnover|'.
        'ratios?|handovers?|handling|transfers?|satisfaction|safety|records?|reports?|rounds?|rota|rosters?|care|time|hours|'.
        'meetings?|canteens?|breaks?|workload|burnout|health|wellbeing|well-being|outcomes?|absence|experience|numbers|flow)$/';

    private const NOBODY = ['water', 'number', 'answer', 'matter', 'order', 'shoulder', 'finger', 'winter', 'paper', 'letter',
        'handover', 'hangover', 'turnover', 'cancer', 'fever', 'ulcer', 'computer', 'centr', 'infant', 'implant',
        'pressur', 'stressor', 'disorder', 'roster', 'helper', 'burnout', 'player', 'ladder', 'monitor', 'filter', 'timer', 'sticker', 'fewer', 'after', 'under', 'longer', 'shorter', 'other', 'lower', 'higher', 'better', 'plant', 'restaurant', 'important', 'significant', 'constant', 'mist', 'wrist', 'list', 'checklist', 'assist', 'exist', 'eleven',
        'catheter', 'larger', 'smaller', 'faster', 'slower', 'stronger', 'weaker', 'earlier', 'later', 'sooner', 'newer', 'older', 'younger',
        'greater', 'wider', 'narrower', 'deeper', 'cheaper', 'safer', 'quicker', 'fitter', 'brighter', 'darker', 'warmer',
        'colder', 'cooler', 'calmer', 'happier', 'healthier', 'harder', 'easier', 'stricter', 'lighter', 'heavier', 'farther',
        'layer', 'printer', 'barrier', 'trigger', 'buffer', 'counter', 'register', 'semester', 'chapter', 'character',
        'parameter', 'diameter', 'powder', 'bladder', 'chamber', 'laser', 'poster', 'cluster', 'feeder', 'reminder', 'scanner',
        'freezer', 'heater', 'pacemaker', 'marker', 'biomarker', 'tracker', 'dispenser', 'inhaler', 'starter', 'thermometer',
        'weather', 'butter', 'silver', 'copper', 'litter', 'liner', 'container', 'blister', 'spacer', 'shower', 'dinner',
        'supper', 'manner', 'corner', 'border', 'power', 'tower', 'summer', 'trouser', 'hamper', 'suffer', 'differ', 'offer',
        'transfer', 'refer', 'prefer', 'consider', 'deliver', 'recover', 'discover', 'remember', 'liver',
        'river', 'fibr', 'meter', 'dominant', 'instant', 'elegant', 'abundant', 'vacant', 'coolant', 'stimulant',
        'antidepressant', 'anticoagulant', 'relaxant', 'disinfectant', 'antioxidant', 'lubricant', 'irritant', 'pollutant',
        'contaminant', 'determinant', 'variant', 'resistant', 'redundant', 'consist', 'resist', 'persist', 'twist', 'fist'];
}
