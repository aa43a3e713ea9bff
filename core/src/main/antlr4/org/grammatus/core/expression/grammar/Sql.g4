// The expressions of a report: the scalar and aggregate expressions of standard SQL (ISO/IEC 9075) that the engine computes.
grammar Sql;

options { caseInsensitive = true; }

statement: expression EOF;

expression
    : NOT expression                                                        # negation
    | left=expression AND right=expression                                  # conjunction
    | left=expression OR right=expression                                   # disjunction
    | operand comparisonTail?                                               # condition
    ;

comparisonTail
    : comparator right=operand                                              # comparison
    | NOT? BETWEEN low=operand AND high=operand                             # between
    | NOT? LIKE pattern=operand (ESCAPE TEXT)?                              # likeness
    | NOT? IN LPAREN operand (COMMA operand)* RPAREN                        # membership
    | IS NOT? NULL                                                          # nullTest
    ;

comparator: EQ | NE | LT | LE | GT | GE;

operand
    : sign=(PLUS | MINUS) operand                                           # signed
    | left=operand operator=(STAR | SLASH) right=operand                    # product
    | left=operand operator=(PLUS | MINUS | CONCAT) right=operand           # sum
    | primary                                                               # plain
    ;

primary
    : NUMBER                                                                # number
    | TEXT                                                                  # text
    | DATE TEXT                                                             # dateLiteral
    | TIMESTAMP TEXT                                                        # timestampLiteral
    | INTERVAL TEXT DAY                                                     # dayInterval
    | value=(TRUE | FALSE)                                                  # truth
    | NULL                                                                  # nullLiteral
    | CURRENT_DATE                                                          # currentDate
    | PROMPT                                                                # prompt
    | COALESCE LPAREN expression (COMMA expression)+ RPAREN                 # coalesce
    | COUNT LPAREN STAR RPAREN                                              # countRows
    | function=(COUNT | SUM | AVG | MIN | MAX) LPAREN DISTINCT? expression RPAREN # aggregate
    | CASE whenThen+ (ELSE otherwise=expression)? END                       # searchedCase
    | CASE subject=expression whenThen+ (ELSE otherwise=expression)? END    # simpleCase
    | name                                                                  # field
    | LPAREN expression RPAREN                                              # parenthesised
    ;

whenThen: WHEN condition_=expression THEN result=expression;

name: NAME | QUOTED_NAME | DAY;

AND: 'AND';
AVG: 'AVG';
BETWEEN: 'BETWEEN';
CASE: 'CASE';
COALESCE: 'COALESCE';
COUNT: 'COUNT';
CURRENT_DATE: 'CURRENT_DATE';
DATE: 'DATE';
DAY: 'DAY';
DISTINCT: 'DISTINCT';
ELSE: 'ELSE';
END: 'END';
ESCAPE: 'ESCAPE';
FALSE: 'FALSE';
IN: 'IN';
INTERVAL: 'INTERVAL';
IS: 'IS';
LIKE: 'LIKE';
MAX: 'MAX';
MIN: 'MIN';
NOT: 'NOT';
NULL: 'NULL';
OR: 'OR';
SUM: 'SUM';
THEN: 'THEN';
TIMESTAMP: 'TIMESTAMP';
TRUE: 'TRUE';
WHEN: 'WHEN';

EQ: '=';
NE: '<>';
LE: '<=';
GE: '>=';
LT: '<';
GT: '>';
PLUS: '+';
MINUS: '-';
STAR: '*';
SLASH: '/';
CONCAT: '||';
LPAREN: '(';
RPAREN: ')';
COMMA: ',';

NUMBER: DIGIT+ ('.' DIGIT+)?;
TEXT: '\'' (~'\'' | '\'\'')* '\'';
PROMPT: ':' [a-z] [a-z0-9_]*;
NAME: [a-z_] [a-z0-9_]*;
QUOTED_NAME: '"' (~'"' | '""')+ '"';
SPACE: [ \t\r\n]+ -> skip;
UNEXPECTED: .;

fragment DIGIT: [0-9];
