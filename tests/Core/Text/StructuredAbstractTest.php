<?php

use WaryHeron\Core\Text\AbstractPart;
use WaryHeron\Core\Text\StructuredAbstract;

it('cuts an abstract at its labels, however they end and in whatever language', function (string $text, array $labels) {
    $parts = StructuredAbstract::parts($text);
    expect(array_column($parts, 'label'))->toBe($labels);
    // nothing of the abstract but its labels is lost
    $kept = implode(' ', array_column($parts, 'text'));
    foreach (['the lamps', 'wards'] as $words) {
        expect(str_contains($kept, $words))->toBe(str_contains($text, $words));
    }
})->with([
    'by colons' => [
        'Background: Noise is bad. Methods: We asked wards. Results: They slept less. Conclusions: Turn the lamps off.',
        ['Background', 'Methods', 'Results', 'Conclusions'],
    ],
    'going on in lower case' => [
        'Aim: to learn of sleep in wards. Method: nurses kept diaries. Results: the lamps did it.',
        ['Aim', 'Method', 'Results'],
    ],
    'of several words' => [
        'Aim of the study: A. Patients and methods: B. Main outcome measures: Hours. Data sources: Diaries of wards.',
        ['Aim of the study', 'Patients and methods', 'Main outcome measures', 'Data sources'],
    ],
    'in capitals alone' => [
        'BACKGROUND Noise is bad. METHODS We asked wards. RESULTS They slept less. CONCLUSIONS Turn the lamps off.',
        ['Background', 'Methods', 'Results', 'Conclusions'],
    ],
    'in capitals of several words' => [
        'AIMS AND OBJECTIVES To learn of wards. DESIGN A cohort. MAIN OUTCOME MEASURES Hours of sleep.',
        ['Aims And Objectives', 'Design', 'Main Outcome Measures'],
    ],
    'as sentences' => [
        'Objective. To learn of sleep. Design. A cohort. Setting. Two wards. Results. Less. Conclusion. Dim the lamps.',
        ['Objective', 'Design', 'Setting', 'Results', 'Conclusion'],
    ],
    'on lines of their own' => ["OBJECTIVES: A.\nMETHODS: B.\nRESULTS: C.", ['Objectives', 'Methods', 'Results']],
    'German' => [
        'Hintergrund: Lärm stört. Methoden: Befragung. Ergebnisse: Weniger Schlaf. Schlussfolgerung: Lampen aus.',
        ['Hintergrund', 'Methoden', 'Ergebnisse', 'Schlussfolgerung'],
    ],
    'Spanish' => [
        'Objetivo: Saber. Métodos: Encuesta. Resultados: Menos. Conclusiones: Apagar.',
        ['Objetivo', 'Métodos', 'Resultados', 'Conclusiones'],
    ],
    'French' => ['But: Savoir. Méthodes: Enquête. Résultats: Moins. Conclusion: Éteindre.', ['But', 'Méthodes', 'Résultats', 'Conclusion']],
    'Portuguese' => ['Introdução: Ruído. Metodologia: Inquérito. Conclusões: Apagar.', ['Introdução', 'Metodologia', 'Conclusões']],
    'Swedish' => ['Bakgrund: Buller. Syfte: Att veta. Resultat: Mindre. Slutsats: Släck.', ['Bakgrund', 'Syfte', 'Resultat', 'Slutsats']],
    'none' => ['Noise wakes nurses in wards. Results were mixed.', ['']],
    'colons that end no label' => [
        'Noise wakes nurses. But it is not alone: light does too. Patients in wards sleep. Study nurses asked why: they said so.',
        [''],
    ],
    'one label is none' => ['Nurses slept less. Conclusion: turn the lamps off.', ['']],
    'words that begin a sentence' => ['Methods differ between wards. Results differ too. Patients sleep. Design matters.', ['']],
    'paragraphs' => ["The first.\n\nThe second of wards.", ['', '']],
    'nothing' => ['  ', []],
]);

it('keeps what stands before the first label', function () {
    expect(StructuredAbstract::parts('A trial of lamps. Methods: Dim. Results: Sleep.'))->toEqual([
        new AbstractPart('', 'A trial of lamps.'),
        new AbstractPart('Methods', 'Dim.'),
        new AbstractPart('Results', 'Sleep.'),
    ]);
});
