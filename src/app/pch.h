// A dozen headers that most files of the application need.
#pragma once

#include <QAction>
#include <QApplication>
#include <QBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QPushButton>
#include <QString>
#include <QTimer>
#include <QToolButton>
#include <QWidget>
#include <memory>
#include <optional>
#include <string>
#include <vector>
