<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

/** Turns of phrase by which abstracts show what a sentence does and what kind of paper it is. */
final class Signs
{
    /** A figure that somebody found. */
    public const FIGURE =
        '/\d(?:[.·]\d+)?\s*(?:%|per cent|percent|points?|minutes?|hours?|days?|times|per \d|v\b|against|mm\b)|'.
        '\b(?:CI|P|p)\b\s*[=<>]|\b\d+ of (?:the )?\d+|\bratio\b[^.]{0,12}\d|\(\s*[−–-]?\d|\d\s*(?:\(SD|±)|'.
        '\bfrom\b[^.]{0,40}\d[^.]{0,40}\bto\b[^.]{0,20}\d|\b(?:one|two|three|four|five|six|seven|eight|nine|ten|'.
        'eleven|twelve|half|quarter|third) (?:of|in) (?:the )?\w+/u';

    public const STATISTIC =
        '/\b95\s*%|\bCI\b|\bconfidence interval\b|\b[Pp]\s*[=<>≤]|\b(?:odds|risk|rate|hazard|incidence rate) '.
        'ratio\b|\bOR \d|\bRR \d|\bnot (?:statistically )?significant\b|\bstatistically significant\b|'.
        '\bprediction interval\b/u';

    public const COMPARED =
        '/\b(?:than|versus|vs|against|compared (?:with|to)|differ(?:s|ed|ence|ences)?|higher|lower|fewer|less|'.
        'more|longer|shorter|fell|rose|increased|reduced|decreased|improved|lowered|raised|worse|better|'.
        'associated|related|unrelated|linked|halved|doubled|unchanged|changed?|no effect|faster|slower|earlier|'.
        'later|as (?:well|often|long|many|high|low) as|whereas|dropped|went (?:up|down|from)|greater|smaller|'.
        'weaker|stronger|likely|benefit|afterwards|similar|shrank|alike|in favour|declines?|declined|reduction|'.
        'increases?|improvement|deterioration|rise|drop|gains?|predictor|contrast)\b/u';

    /** What was to be found out, or how; not what was found. */
    public const ASIDE =
        '/\b(?:we (?:asked|wondered|examined|studied|tested|looked|compared|measured|recorded|followed|analysed|'.
        'interviewed|investigated|searched|surveyed|aimed|set out|sought|recruited|developed|evaluated) '.
        '(?!.*\b(?:found|fell|rose|lower|higher|fewer)\b)|to (?:examine|test|compare|determine|assess|find out|'.
        'see|study|estimate|describe|evaluate|investigate|explore|summarise|learn|understand|help|establish) |'.
        'was the (?:primary|main) outcome|primary outcome|main outcome|(?:was|were) (?:defined|randomi[sz]ed|'.
        'allocated|assigned|recruited|measured (?:by|with|using|at|on|in)|adjusted|eligible|obtained from|asked '.
        'to|assessed by|scored|rated on)|whether)\b/iu';

    public const SHOULD =
        '/\b(?:should|ought|must|needs? to|recommend\w*|suggest that|advis\w+|we propose|could avoid|future|'.
        'further (?:research|stud|trial)|larger stud|may be considered|to be done|are needed|is needed)\b/iu';

    /** Nothing was found because nothing was looked for. */
    public const NOT_LOOKED_FOR =
        '/\b(?:(?:not|never|nor|neither|no(?:ne|body|thing)?|without|nobody) (?:\p{L}+ ){0,6}?(?:studied|'.
        'examined|measured|recorded|tested?|assessed|reported in|reported here|determined?|presented|covered|'.
        'included|looked at|asked|address\w*|collected|an outcome|investigat\w*|known about|evaluated|analysed|'.
        'the subject|considered|available|counted|compared|contain|concern\w*|describe)|beyond the scope|left '.
        'out of|outside the|(?:did|does|do|could|can) not (?:\p{L}+ )?(?:study|examine|measure|record|test|'.
        'assess|report|look|tell|say|ask|cover|include|compare|count|evaluate|address|concern)|say(?:s)? nothing|'.
        'no (?:conclusions?|statements?|outcome data|results?|data|information)|(?:was|were|are|is) (?:excluded|'.
        'left out|omitted)|subject of another|separate (?:project|paper|report)|may not (?:carry over|apply|'.
        'hold)|cannot be (?:applied|transferred|told|carried)|should not be (?:given|transferred|applied)|'.
        'different (?:conditions|one)|reported (?:elsewhere|separately)|another paper|only a background variable|'.
        'for other (?:people|groups|trades))\b/iu';

    public const PROTOCOL =
        '/\b(?:protocol|study design and baseline|design and baseline|rationale and design)\b|\bwill (?:be|take|'.
        'examine|find|have|measure|use|follow|include|receive|work|compare|begin|start|last|tell|answer)\b|'.
        '\b(?:no (?:results|outcome data) (?:are|have)|recruitment (?:has started|opens|begins)|enrolment '.
        '(?:opens|has)|first report is foreseen|are being randomi[sz]ed|ethics approval was granted)\b/iu';

    public const REVIEW =
        '/\b(?:systematic review|meta-analys\w+|scoping review|umbrella|overview of reviews|literature review|'.
        'review of (?:measurement|the literature)|studies (?:were|could be) (?:included|found|used)|articles '.
        'were included|studies with \d|we searched|searched (?:for in )?\w+ databases|databases)\b/iu';

    public const LETTER =
        '/^(?:comment|letter|reply|response|erratum|correction|corrigendum|in reply|author|editorial|retraction|'.
        'a comment)\b|\b(?:erratum|correction to|corrigendum|a comment on|letter (?:on|about|to)|comment on|'.
        'retraction of)\b/iu';

    public const SECONDHAND =
        '/\b(?:(?:study|trial|paper|article|survey|report|analysis|finding|figures?|cohort) (?:by|of) (?:\p{L}+ '.
        '){0,3}?(?:\p{Lu}\p{L}+ )?(?:and (?:colleagues|others|co-?workers)|et al)|et al|and (?:colleagues|'.
        'others) (?:has|have|reported?|found)?|in our article|the authors (?:do|did|mention|claim|let|conclude|'.
        'of the)|(?:we )?read with interest|development paper|after publication of our|corrected (?:numbers?|'.
        'difference|analysis|figures?))\b/u';

    public const TRIAL =
        '/\brandom(?:i[sz]ed|ly)?\b|\ballocated\b|\bdrawn by lot\b|\bcrossover\b|\bcross-over\b|\bcontrol '.
        '(?:group|wards?|units?)\b|\bcomparison (?:group|wards?|units?|hospital)\b|\bcontrolled\b|\binterrupted '.
        'time\b/iu';

    public const OBSERVED =
        '/\b(?:cohort|cross-sectional|case-control|case-crossover|register|regression|adjusted|followed|'.
        'follow-up|survey|questionnaires?|odds ratio|rate ratio|hazard ratio|diary|payroll)\b/iu';

    /** A project of one's own, without anybody to compare with. */
    public const LOCAL =
        '/\b(?:our (?:unit|ward|experience|hospital|department|project|improvement|pilot|directorate|dialysis|'.
        'labour|emergency)|pilot|local improvement|improvement project|quality improvement|no statistical test|'.
        'our numbers|in our (?:unit|ward|hospital)|promising|champions|small ward|should be introduced in all|'.
        'proves that|clearly demonstrates|we can say with confidence|must act now|every (?:directorate|hospital|'.
        'ward) ought|without delay|by law)\b/iu';

    /** Groups set against one another without being named. */
    public const GROUPS =
        '/\b(?:groups?|arms?|both conditions|control|comparison|intervention|exposed|unexposed|before and|'.
        'afterwards|after the|usual (?:care|practice|breaks?)|(?:the|those) (?:others|other)|than (?:those(?! (?:reported|published|known|found|seen) (?:from|in|by|before|earlier|else))|in|'.
        'with|without|on|the)|between)\b/u';

    /** What a text says of itself or asks for tells no finding. */
    public const ABOUT_ITSELF =
        '/^(?:(?:this|the present|our|the) (?:article|paper|review|chapter|editorial|commentary|overview|letter)|we) '.
        '(?:summari[sz]es?|describes?|discuss(?:es)?|outlines?|reviews?|presents?|examines?|explores?|argues?|considers?)\b|'.
        '\b(?:deserves?|warrants?|merits?|calls? for|awaits?) (?:more|further|closer|greater|study|research|attention)\b/iu';

    /** A share of people or of occasions. */
    public const SHARE =
        '/\d\s*(?:%|per cent\b|percent\b)|\b\d+ of (?:the )?\d|\b(?:prevalence|proportion|incidence|'.
        'rate)\b[^.]{0,80}\d|\b(?:one|two|three|four|five|six|seven|eight|nine|ten|\d+) (?:in|out of) (?:\w+|'.
        '\d+)\b|\b(?:half|(?:one|a|two|three) (?:third|quarter|fifth|tenth)s?) of\b|\bper (?:hundred|thousand|'.
        '100|1000)\b/u';

    public const INSTRUMENT =
        '/\b(?:scale|questionnaire|inventory|index|instrument|form|checklist|tool|survey|items?|subscales?|alpha|'.
        'reliab\w+|consistency|valid\w+|sensitiv\w+|factor|retest|score)\b/iu';

    /** A name of several capitalised words or an abbreviation. */
    public const NAMED = '/\b\p{Lu}\p{L}+(?: \p{Lu}\p{L}+)+\b|\(\p{Lu}{3,}[^)]*\)|\b\p{Lu}{3,}\b/u';

    /** What others are said to have said, or what nobody could have found out. */
    public const OTHERS =
        '/\b(?:conclude (?:from|that)|has been (?:quoted|cited)|have been (?:quoted|cited)|are often told|is '.
        'widely|(?:clearly|plainly) (?:demonstrates?|shows?)|proves? that|it is plain that|we can say with '.
        'confidence|is thought|are thought|it is (?:often|widely))\b/iu';

    /** A count of people as samples are told. */
    public const COUNT = '/\b\d{2,}\b|\b(?:twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|hundred)\b/iu';

    /** What is supposed, planned or only described: never an answer. */
    public const SUPPOSED =
        '/\b(?:hypothesi[sz]ed?|we (?:aimed|asked|wondered|will|set out|sought|plan)|this (?:study|trial|paper|'.
        'protocol) (?:examined|examines|aimed|aims|describes|was designed|will)|is not known|are not known|is '.
        'unknown|(?:are|is|were|was) related(?! to\b.*\d)|served as their own controls?|we will|will be '.
        '(?:randomi[sz]ed|recruited|measured)|presented with|(?:was|were) (?:randomly )?(?:randomi[sz]ed|'.
        'allocated|assigned) to)\b/iu';

    /** That nothing was found to differ, told in words. */
    public const NOTHING =
        '/\b(?:no (?:evidence|difference|effect|association|change|relation)|(?:did|does|do|was|were) not '.
        '(?:\p{L}+ )?(?:differ|change|vary|influence|affect|reduce|alter|improve|associated|related)|not '.
        'associated|unrelated|uncertain|unchanged)/iu';

    /** A ratio or a test: something was compared. */
    public const TESTED = '/\b(?:ratio|OR|RR|HR|IRR)\b[^.]{0,12}\d|\b[Pp]\s*[=<>≤]/u';
}
